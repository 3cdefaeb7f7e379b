import { lockFiring } from "@db/queries/firings";
import { loadKiln } from "@db/queries/kilns";
import { firing } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { forKiln, loadedIn } from "./models/for-kiln";
import { versionOf } from "./models/version-of";

/** Gives a planned firing another schedule; one that runs keeps what it was started with. */
export const reschedule: UseCase<"reschedule"> = async ({ tx, now }, { firingId, scheduleId, document }) => {
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state !== "planned")
		throw new Refusal("conflict", `Firing ${row.number} is ${row.state}; its schedule is what it was started with.`);
	const its = inTheBook(await loadKiln(tx, row.kilnId), "kiln");
	if (document.familyId !== row.familyId)
		throw new Refusal("invalid", "This load is of another family of glass than the schedule.");
	const fired = await forKiln(tx, document, its, await loadedIn(tx, firingId));
	const scheduleVersionId = await versionOf(tx, scheduleId, document, now);
	await tx
		.update(firing)
		.set({ ...fired, level: row.level, scheduleVersionId })
		.where(eq(firing.id, firingId));
	return { firingId };
};
