import { dropSessions } from "@db/queries/people";
import { user } from "@db/schema";
import { verifyPassword } from "better-auth/crypto";
import { eq } from "drizzle-orm";
import { noteAudit } from "../house/audit";
import { afterPreparing } from "../house/context";
import { Refusal } from "../house/refusal";
import { forgetDemo } from "./models/demo-note";
import { askPassword } from "./models/own-password";
import { signIn } from "./models/sign-in";
import { weakness } from "./models/weak";

const refuseNew = (sentence: string) => new Refusal("invalid", [{ path: ["next"], sentence }]);

/**
 * Sets one's own password; from then on it is no longer one that the first start printed. Other sessions end. The sign-in library
 * asks for connections of its own: before the transaction, for one that waits for another is how all of them are used up.
 */
export const changePassword = afterPreparing<"changePassword", void>(
	async (before, { current, next }) => {
		const { db, studio, actor, headers } = before;
		if (next === current) throw refuseNew("The new password has to be another one.");
		const [own] = await db
			.select({ demoHash: user.demoHash, email: user.email })
			.from(user)
			.where(eq(user.id, actor.id));
		const weak = weakness(next, [actor.name, own?.email ?? "", studio.name]);
		if (weak) throw refuseNew(weak);
		if (own?.demoHash && (await verifyPassword({ hash: own.demoHash, password: next })))
			throw refuseNew("This is the password that the first start printed. Choose one that nobody read.");
		await askPassword(before, current);
		await signIn().api.changePassword({ body: { currentPassword: current, newPassword: next }, headers });
	},
	async ({ tx, actor, now, headers, afterwards }) => {
		const changed = await tx
			.update(user)
			.set({ demoPassword: false })
			.where(eq(user.id, actor.id))
			.returning({ email: user.email });
		afterwards.push(async () => forgetDemo(changed.map(({ email }) => email)));
		await dropSessions(tx, actor.id, { keep: actor.sessionId });
		await noteAudit(tx, "passwordChanged", "their own password", { actor, now, headers });
		return { changed: true };
	},
);
