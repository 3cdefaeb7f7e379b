import { session, user } from "@db/schema";
import { verifyPassword } from "better-auth/crypto";
import { and, eq, ne } from "drizzle-orm";
import { afterPreparing } from "../house/context";
import { Refusal } from "../house/refusal";
import { countTry, wasRight } from "./models/back-off";
import { forgetDemo } from "./models/demo-note";
import { CLIENT_ADDRESS, signIn } from "./models/sign-in";

/**
 * Sets one's own password; from then on it is no longer one that the first start printed. Other sessions end. The sign-in library
 * asks for connections of its own: before the transaction, for one that waits for another is how all of them are used up.
 */
export const changePassword = afterPreparing<"changePassword", void>(
	async ({ db, actor, headers, now }, { current, next }) => {
		if (next === current)
			throw new Refusal("invalid", [{ path: ["next"], sentence: "The new password has to be another one." }]);
		const [own] = await db.select({ demoHash: user.demoHash }).from(user).where(eq(user.id, actor.id));
		if (own?.demoHash && (await verifyPassword({ hash: own.demoHash, password: next })))
			throw new Refusal("invalid", [
				{ path: ["next"], sentence: "This is the password that the first start printed. Choose one that nobody read." },
			]);
		const tried = { account: `own ${actor.id}`, address: headers.get(CLIENT_ADDRESS) ?? "" };
		await countTry(db, tried, now);
		try {
			await signIn().api.changePassword({ body: { currentPassword: current, newPassword: next }, headers });
		} catch {
			throw new Refusal("invalid", [{ path: ["current"], sentence: "The present password is not right." }]);
		}
		await wasRight(db, tried);
	},
	async ({ tx, actor, afterwards }) => {
		const changed = await tx
			.update(user)
			.set({ demoPassword: false })
			.where(eq(user.id, actor.id))
			.returning({ email: user.email });
		afterwards.push(async () => forgetDemo(changed.map(({ email }) => email)));
		await tx.delete(session).where(and(eq(session.userId, actor.id), ne(session.id, actor.sessionId)));
		return { changed: true };
	},
);
