import { kiln } from "@db/schema";
import { dayOf } from "@formats/time";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { lockedKiln } from "./models/kiln";

/** A task was done: its count begins again. */
export const doneUpkeep: UseCase<"doneUpkeep"> = async ({ tx, now, studio }, { kilnId, what }) => {
	const row = await lockedKiln(tx, kilnId);
	const task = row.upkeep.find((one) => one.what === what);
	if (!task && what !== "look at the elements") throw new Refusal("missing", "This task is not in the kiln’s list.");
	await tx
		.update(kiln)
		.set(
			task
				? { upkeep: row.upkeep.map((one) => (one.what === what ? { ...one, sinceFirings: 0 } : one)) }
				: { elements: { ...row.elements, firings: 0, hours: 0, fittedOn: dayOf(now, studio.timeZone) } },
		)
		.where(eq(kiln.id, kilnId));
	return { kilnId };
};
