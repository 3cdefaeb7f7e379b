import { schedule } from "@db/schema";
import type { UseCase } from "../house/context";
import { saved } from "../house/saved";
import { familyOf } from "./models/for-kiln";

/** Keeps a schedule's draft. Who saves on an older one is told. */
export const saveSchedule: UseCase<"saveSchedule"> = async ({ tx, now }, { scheduleId, revision, document }) => {
	await familyOf(tx, document);
	const row = { id: scheduleId, document, updatedAt: now };
	return { scheduleId, revision: await saved(document.name, tx, schedule, row, revision) };
};
