import { newSchedule } from "@core/firing/document";
import { type Shelf, usableMm2 } from "@core/loading/shelf";
import { LOT_LEVEL, lotRoomMm2, lotToFire } from "@core/stock/lots";
import { lockLots, lotsIn, moveLots } from "@db/queries/bags";
import { lockFiring, placesIn } from "@db/queries/firings";
import { loadKiln } from "@db/queries/kilns";
import { glass, glassFamily } from "@db/schema";
import { eq, inArray } from "drizzle-orm";
import type { Context, UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { loadKilnOf } from "../loads/models/plan-load";
import { planBare } from "../schedules/models/plan-bare";
import { schoolsOf } from "../schedules/models/schools";

/** Lots as they are now; refused where one is fired or lies in another firing already. */
async function waitingLots({ tx }: Context, lotIds: readonly string[], firingId: string | null) {
	const lots = await lockLots(tx, lotIds);
	if (lots.length < lotIds.length) throw new Refusal("missing", "One of these lots is gone. Look again.");
	for (const lot of lots)
		if (lot.firedAt || (lot.firingId && lot.firingId !== firingId))
			throw new Refusal("conflict", `“${lot.name}” is fired or planned for already. Look again.`);
	return lots;
}

/** The one family that lots are of. */
async function familyOfLots({ tx }: Context, lots: Awaited<ReturnType<typeof lockLots>>): Promise<string> {
	const glassIds = [...new Set(lots.flatMap(({ glassId }) => glassId ?? []))];
	const glasses = glassIds.length > 0 ? await tx.select().from(glass).where(inArray(glass.id, glassIds)) : [];
	const families = [...new Set(glasses.map(({ familyId }) => familyId))];
	if (lots.some(({ glassId }) => glassId === null) || families.length !== 1)
		throw new Refusal("invalid", "These lots are of several glasses or families: plan a firing for each at Fire.");
	return families[0] as string;
}

/** A firing of their own for lots of one family, by the studio's schools. */
export const fireLots: UseCase<"fireLots"> = async (context, { firingId, kilnId, lotIds }) => {
	const { tx, studio } = context;
	const lots = await waitingLots(context, lotIds, firingId);
	const familyId = await familyOfLots(context, lots);
	const [family] = await tx.select().from(glassFamily).where(eq(glassFamily.id, familyId));
	const kiln = inTheBook(await loadKiln(tx, kilnId), "kiln");
	const { shelf } = loadKilnOf(kiln);
	refuseWithoutRoom(lots, shelf, 0);
	const pieces = lots.map(({ name, sizeMm }) => lotToFire(name, sizeMm));
	const count = lots.reduce((sum, lot) => sum + lot.count, 0);
	const what = `${count} fired parts`;
	const document = newSchedule(what, inTheBook(family, "family"), kiln.body, pieces, schoolsOf(studio));
	const made = await planBare(context, { firingId, kilnId, scheduleId: null, document, what });
	await moveLots(tx, lotIds, firingId);
	return made;
};

/** A lot fills up the shelf of a firing that is planned already; or no longer. */
export const fillWithLot: UseCase<"fillWithLot"> = async (context, { lotId, firingId }) => {
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
	const lots = await waitingLots(context, [lotId], firingId);
	if (row.state !== "planned") throw new Refusal("conflict", `Firing ${row.number} has started. Choose another.`);
	if ((await familyOfLots(context, lots)) !== row.familyId || row.level !== LOT_LEVEL)
		throw new Refusal("invalid", `Firing ${row.number} is of another family, or does not go to ${LOT_LEVEL}.`);
	const others = (await lotsIn(tx, [firingId])).filter(({ id }) => id !== lotId);
	const kiln = inTheBook(await loadKiln(tx, row.kilnId), "kiln");
	const taken = (await placesIn(tx, firingId)).reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);
	refuseWithoutRoom([...lots, ...others], loadKilnOf(kiln).shelf, taken);
	await moveLots(tx, [lotId], firingId);
	return { firingId };
};

function refuseWithoutRoom(
	lots: readonly { count: number; sizeMm: number | null }[],
	shelf: Shelf,
	takenMm2: number,
): void {
	const need = lots.reduce((sum, { count, sizeMm }) => sum + lotRoomMm2(count, sizeMm), 0);
	const free = usableMm2(shelf) - takenMm2;
	if (need > free)
		throw new Refusal(
			"invalid",
			`They take ${Math.ceil(need / 100)} cm² with their room; ${Math.max(0, Math.floor(free / 100))} cm² of this shelf are free. Split the lot, or choose another kiln.`,
		);
}
