import { invitation } from "@db/schema";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";
import { hashOfKey, INVITED_FOR_MS, newKey } from "./models/invitation";

/** Makes an address that makes one account, within a week. */
export const invite: UseCase<"invite"> = async ({ tx, ...asking }, { role, forWhom }) => {
	const key = newKey();
	const expiresAt = new Date(asking.now.getTime() + INVITED_FOR_MS);
	await tx.insert(invitation).values({ keyHash: hashOfKey(key), role, forWhom, invitedAt: asking.now, expiresAt });
	await noteAudit(tx, "invited", `${forWhom} as ${role}`, asking);
	return { path: `/join/${key}`, expiresAt: expiresAt.toISOString() };
};
