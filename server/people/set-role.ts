import { lockAccount } from "@db/queries/people";
import { user } from "@db/schema";
import { eq } from "drizzle-orm";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { refuseUnlessStillMay } from "./models/still-may";

/** Somebody may do more, or less, from their next press on. Nobody changes their own: one instructor always stays. */
export const setRole: UseCase<"setRole"> = async ({ tx, ...asking }, { userId, role }) => {
	if (userId === asking.actor.id)
		throw new Refusal("conflict", "Your own role stays: another instructor may change it.");
	await refuseUnlessStillMay(tx, asking.actor);
	const { name, role: before } = inTheBook(await lockAccount(tx, userId), "person");
	if (before === role) return { role };
	await tx.update(user).set({ role }).where(eq(user.id, userId));
	await noteAudit(tx, "roleChanged", `${name}: ${role}`, asking);
	return { role };
};
