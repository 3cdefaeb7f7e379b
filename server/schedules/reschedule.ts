import { lockFiring, mouldsIn } from "@db/queries/firings";
import { loadKiln } from "@db/queries/kilns";
import { lyingIn } from "@db/queries/lying";
import { firing } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { forKiln } from "./models/for-kiln";
import { versionOf } from "./models/version-of";

/** Gives a planned firing another schedule; one that runs keeps what it was started with. */
export const reschedule: UseCase<"reschedule"> = async ({ tx, now }, { firingId, scheduleId, document }) => {
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state !== "planned")
		throw new Refusal("conflict", `Firing ${row.number} is ${row.state}; its schedule is what it was started with.`);
	const its = inTheBook(await loadKiln(tx, row.kilnId), "kiln");
	if (document.familyId !== row.familyId)
		throw new Refusal("invalid", "This load is of another family of glass than the schedule.");
	// What its moulds bear is in the book, whatever the page says.
	const moulds = await mouldsIn(tx, firingId);
	const mouldMaxC = moulds.length > 0 ? Math.min(...moulds.map(({ maxC }) => maxC)) : null;
	const judged = { ...document, mouldMaxC };
	const fired = await forKiln(tx, judged, its, await lyingIn(tx, firingId));
	const scheduleVersionId = await versionOf(tx, scheduleId, judged, now);
	await tx
		.update(firing)
		.set({ ...fired, level: row.level, scheduleVersionId })
		.where(eq(firing.id, firingId));
	return { firingId };
};
