import { session, user } from "@db/schema";
import { and, eq, ne } from "drizzle-orm";
import { signIn } from "../access/sign-in";
import type { UseCase } from "../perform";
import { Refusal } from "../refusal";

/** Sets one's own password; from then on it is no longer one that the first start printed. Other sessions end. */
export const changePassword: UseCase<"changePassword"> = {
	role: "assistant",
	async run({ tx, actor, headers }, { current, next }) {
		try {
			await signIn().api.changePassword({ body: { currentPassword: current, newPassword: next }, headers });
		} catch {
			throw new Refusal("invalid", [{ path: ["current"], sentence: "The present password is not right." }]);
		}
		await tx.update(user).set({ demoPassword: false }).where(eq(user.id, actor.id));
		await tx.delete(session).where(and(eq(session.userId, actor.id), ne(session.id, actor.sessionId)));
		return { changed: true };
	},
};
