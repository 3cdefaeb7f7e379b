import { dropSessions, lockAccount } from "@db/queries/people";
import { user } from "@db/schema";
import { eq } from "drizzle-orm";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { refuseUnlessStillMay } from "./models/still-may";

/** An account that may not be used any longer, and its sessions end; or it may again. Nobody shuts themselves out. */
export const setDisabled: UseCase<"setDisabled"> = async ({ tx, ...asking }, { userId, disabled }) => {
	if (userId === asking.actor.id)
		throw new Refusal("conflict", "Your own account stays open: another instructor may shut it.");
	await refuseUnlessStillMay(tx, asking.actor);
	const { name, disabledAt } = inTheBook(await lockAccount(tx, userId), "person");
	if (Boolean(disabledAt) === disabled) return { disabled };
	await tx
		.update(user)
		.set({ disabledAt: disabled ? asking.now : null })
		.where(eq(user.id, userId));
	if (disabled) await dropSessions(tx, userId);
	await noteAudit(tx, disabled ? "disabled" : "enabled", name, asking);
	return { disabled };
};
