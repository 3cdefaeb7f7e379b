import { newSchedule } from "@core/firing/document";
import { usableMm2 } from "@core/loading/shelf";
import { lockLots, moveLots } from "@db/queries/bags";
import { lockFiring } from "@db/queries/firings";
import { loadKiln } from "@db/queries/kilns";
import { glassFamily } from "@db/schema";
import { eq } from "drizzle-orm";
import { refuseAtKiln } from "../firings/models/hands";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { loadKilnOf } from "../loads/models/plan-load";
import { planBare } from "../schedules/models/plan-bare";
import { schoolsOf } from "../schedules/models/schools";
import { asOfLots, fillLots, refuseWithoutRoom, waitingLots } from "./models/fill-lots";
import { lotBodies } from "./models/lot-bodies";

/** A firing of their own for lots of one family, by the studio's schools. */
export const fireLots: UseCase<"fireLots"> = async (context, { firingId, kilnId, lotIds }) => {
	refuseAtKiln(context, "load");
	const { tx, studio } = context;
	const lots = await waitingLots(context, lotIds, firingId);
	const { familyId } = await asOfLots(context, lots);
	const [family] = await tx.select().from(glassFamily).where(eq(glassFamily.id, familyId));
	const kiln = inTheBook(await loadKiln(tx, kilnId), "kiln");
	refuseWithoutRoom(lots, usableMm2(loadKilnOf(kiln).shelf));
	const pieces = [...(await lotBodies(tx, lots)).values()].map(({ toFire }) => toFire);
	const count = lots.reduce((sum, lot) => sum + lot.count, 0);
	const what = `${count} fired parts`;
	const document = newSchedule(what, inTheBook(family, "family"), kiln.body, pieces, schoolsOf(studio));
	const made = await planBare(context, { firingId, kilnId, scheduleId: null, document, what });
	await moveLots(tx, lotIds, firingId);
	return made;
};

/** A lot fills up the shelf of a firing that is planned already; or no longer. */
export const fillWithLot: UseCase<"fillWithLot"> = async (context, { lotId, firingId }) => {
	refuseAtKiln(context, "load");
	const { tx } = context;
	if (firingId === null) {
		const [lot] = await lockLots(tx, [lotId]);
		const row = lot?.firingId ? await lockFiring(tx, lot.firingId) : undefined;
		if (row && row.state !== "planned" && row.state !== "cancelled")
			throw new Refusal("conflict", `Firing ${row.number} has started: the lot lies in it.`);
		await moveLots(tx, [lotId], null);
		return { firingId };
	}
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	await fillLots(context, row, inTheBook(await loadKiln(tx, row.kilnId), "kiln"), [lotId]);
	return { firingId };
};
