import { mayAs, type Role } from "@contract/people";
import type { Database } from "@db/connect";
import { noteAudit } from "./audit";
import type { Asking } from "./context";
import { refuseOthers } from "./refusal";

/** That somebody of their role may, or a refusal that is written down. @param what the action or view that is asked for */
export async function refuseUnlessMay(
	db: Database,
	what: string,
	least: Role,
	{ actor, now, headers }: Omit<Asking, "headers"> & { headers?: Headers },
): Promise<void> {
	if (mayAs(actor.role, least)) return;
	await noteAudit(db, "forbidden", `${what} as ${actor.role}`, { actor, now, headers });
	throw refuseOthers(least);
}
