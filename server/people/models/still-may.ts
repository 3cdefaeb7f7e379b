import type { Transaction } from "@db/connect";
import { oneAtATime } from "@db/queries/one-at-a-time";
import { lockAccount } from "@db/queries/people";
import type { Actor } from "../../house/context";
import { Refusal } from "../../house/refusal";

/**
 * Who changes what somebody may do is looked at once more, one after another: two instructors who take it from each other at once would
 * both have been allowed, and none would be left.
 */
export async function refuseUnlessStillMay(tx: Transaction, actor: Actor): Promise<void> {
	await oneAtATime(tx, "instructors");
	const own = await lockAccount(tx, actor.id);
	if (!own || own.disabledAt || own.role !== "instructor")
		throw new Refusal("forbidden", "You may not do this any longer: another instructor has changed that just now.");
}
