import { dropSessions, lockAccount } from "@db/queries/people";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";
import { inTheBook, refuseOthers } from "../house/refusal";

/** Ends sessions: one, or all of somebody but the one that asks. Others’ only by an instructor. */
export const endSessions: UseCase<"endSessions"> = async ({ tx, ...asking }, { userId, sessionId }) => {
	const { actor } = asking;
	if (userId !== actor.id && actor.role !== "instructor") throw refuseOthers("instructor");
	const { name } = inTheBook(await lockAccount(tx, userId), "person");
	const ended = await dropSessions(tx, userId, { only: sessionId, keep: actor.sessionId });
	if (ended > 0) await noteAudit(tx, "sessionsEnded", `${ended} of ${name}`, asking);
	return { ended };
};
