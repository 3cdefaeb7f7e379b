import { fallsShort } from "@core/firing/falls-short";
import { type FuseLevel, LEVEL_WORDS } from "@core/firing/level";
import { usableMm2 } from "@core/loading/shelf";
import { shelvesUsed } from "@core/loading/tiers";
import { at } from "@core/result";
import { lotRoomMm2 } from "@core/stock/lots";
import { say } from "@core/units/phrase";
import { lockLots, lotsIn, moveLots } from "@db/queries/bags";
import { type FiringRow, placesIn } from "@db/queries/firings";
import { loadGlass } from "@db/queries/glass";
import type { KilnRow } from "@db/queries/kilns";
import type { Context } from "../../house/context";
import { Refusal } from "../../house/refusal";
import { loadKilnOf } from "../../loads/models/plan-load";
import { type LotRow, lotBodies } from "./lot-bodies";

/** Lots as they are now; refused where one is fired or lies in another firing already. */
export async function waitingLots({ tx }: Context, lotIds: readonly string[], firingId: string | null) {
	const lots = await lockLots(tx, lotIds);
	if (lots.length < lotIds.length) throw new Refusal("missing", "One of these lots is gone. Look again.");
	for (const lot of lots)
		if (lot.firedAt || (lot.firingId && lot.firingId !== firingId))
			throw new Refusal("conflict", `“${lot.name}” is fired or planned for already. Look again.`);
	return lots;
}

/** The one family and level that lots are fired with: strain tests with the family they lie on. */
export async function asOfLots(
	{ tx }: Context,
	lots: readonly LotRow[],
): Promise<{ familyId: string; level: FuseLevel }> {
	const bodies = await lotBodies(tx, lots);
	const families = new Set(lots.map(({ id }) => bodies.get(id)?.familyId));
	const levels = new Set(lots.map(({ level }) => level));
	const [[familyId], [level]] = [[...families], [...levels]];
	if (!familyId || !level || families.size !== 1 || levels.size !== 1)
		throw new Refusal("invalid", "These lots are of several families or levels: plan a firing for each at Fire.");
	return { familyId, level };
}

type Announced = Pick<FiringRow, "id" | "number" | "state" | "familyId" | "level" | "schedule">;

/** Lots fill up the shelf of a firing that is planned already. */
export async function fillLots(context: Context, firing: Announced, kiln: KilnRow, lotIds: readonly string[]) {
	const { tx } = context;
	const lots = await waitingLots(context, lotIds, firing.id);
	// Sent again: they lie in it, whatever became of it since.
	if (lots.every(({ firingId }) => firingId === firing.id)) return;
	if (firing.state !== "planned") throw new Refusal("conflict", `Firing ${firing.number} has started. Choose another.`);
	const { familyId, level } = await asOfLots(context, lots);
	if (familyId !== firing.familyId || firing.level !== level)
		throw new Refusal(
			"invalid",
			`Firing ${firing.number} is of another family, or does not go to ${LEVEL_WORDS[level]}.`,
		);
	await refuseUnsuited(context, lots, firing);
	await moveLots(tx, [...lotIds], firing.id);
	await refuseFullShelf(context, firing.id, kiln);
}

/** Refused where the schedule of others would crack one of a lot: too short a soak, or heated too fast. */
async function refuseUnsuited({ tx }: Context, lots: readonly LotRow[], { number, schedule, familyId }: Announced) {
	const family = (await loadGlass(tx)).families.find(({ id }) => id === familyId);
	const bodies = await lotBodies(tx, lots);
	const pieces = lots.flatMap(({ id, name }) => {
		const body = bodies.get(id);
		return body ? [{ ...body.toFire, id: name }] : [];
	});
	const [short] = family ? fallsShort(schedule, family, pieces) : [];
	if (short)
		throw new Refusal(
			"invalid",
			`“${short.id}” needs ${short.heatsTooFast ? "a slower way up" : `${short.neededMin} min of soak`}; firing ${number} ${short.heatsTooFast ? "heats faster" : `holds ${short.heldMin}`}. Plan a firing of its own.`,
		);
}

/** Refused where a firing's pieces and lots take more of a kiln's shelf than it has. */
export async function refuseFullShelf({ tx }: Context, firingId: string, kiln: KilnRow): Promise<void> {
	const lots = await lotsIn(tx, [firingId]);
	if (lots.length === 0) return;
	const places = await placesIn(tx, firingId);
	const taken = places.reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);
	refuseWithoutRoom(lots, usableMm2(loadKilnOf(kiln).shelf) * shelvesUsed(places) - taken);
}

export function refuseWithoutRoom(lots: readonly { count: number; sizeMm: number | null }[], freeMm2: number): void {
	const need = lots.reduce((sum, { count, sizeMm }) => sum + lotRoomMm2(count, sizeMm), 0);
	if (need > freeMm2)
		throw new Refusal("invalid", [
			at(
				[],
				say`They take ${{ mm2: need }} with their room; ${{ mm2: Math.max(0, freeMm2) }} of this shelf are free. Split the lot, or choose another kiln.`,
			),
		]);
}
