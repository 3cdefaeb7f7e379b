import { buildShared } from "../firing/build-shared";
import { demandOf, type PieceToFire } from "../firing/demand";
import { mergeDemands } from "../firing/merge";
import { peakOf, scheduleHours } from "../firing/schedule";
import type { GlassFamily } from "../glass/family";
import { toFire } from "../piece/to-fire";
import { ok, problem, type Result } from "../result";
import { say } from "../units/phrase";
import { apartWords, cannotShare, tooHotForMould } from "./cannot-share";
import { footprintOf } from "./footprint";
import { layLoad, placeOf } from "./lay-load";
import type { LayWish, LoadKiln, LoadProposal, LoadSchools, WaitingPiece } from "./load";
import { simulateLoad } from "./load-heat";
import { type Form, formOf } from "./outlines/form";
import { reachedBy } from "./reached-by";
import { usableMm2 } from "./shelf";
import { wrongByHand } from "./wrong-by-hand";

const asked = ({ id, body }: WaitingPiece): PieceToFire => toFire(id, body);

/**
 * One load: as many of the pieces as the shelf holds, those promised first left out last; one schedule for all of them and
 * who sets each part of it; simulated on the kiln for the time to open. Pure: the same input gives the same load.
 * @param families of the pieces: one; two where the studio mixes them, the first on the left half of the shelf
 */
export function proposeLoad(
	pieces: readonly WaitingPiece[],
	kiln: LoadKiln,
	families: readonly GlassFamily[],
	schools: LoadSchools,
	wish: LayWish = {},
): Result<LoadProposal> {
	const [first, main] = [pieces[0], families[0]];
	if (!first || !main) return problem(["pieceIds"], "No piece was chosen for this load.");
	const never = cannotShare(pieces, kiln, families, schools);
	if (never) return problem(["pieceIds"], never);
	const { heat, dots } = schools;
	const options = { kiln: kiln.body, soakSchool: schools.soak, ...(heat && { heat }), ...(dots && { dots }) };
	const scheduleOf = (some: readonly WaitingPiece[]) => {
		const demand = mergeDemands(some.map(asked), schools);
		const schedule = demand && buildShared(demand, families, options);
		return demand && schedule && { demand, schedule };
	};
	const wanted = scheduleOf(pieces);
	if (!wanted) return problem(["pieceIds"], apartWords(pieces, families));
	const forms = new Map(pieces.map((piece) => [piece.id, formOf(footprintOf(piece))]));
	const meant = families.map((family) => reachedBy(wanted.schedule, family, first.level, kiln));
	const { laid, leftIds, shelves } = layLoad(pieces, forms, kiln, schools.clearanceMm, wish, meant);
	const placed = new Set(laid.map(({ id }) => id));
	const loaded = wish.scheduleOnly ? [...pieces] : pieces.filter(({ id }) => placed.has(id));
	const made = scheduleOf(loaded);
	if (!made) return problem(["pieceIds"], "None of these pieces fits on this shelf.");
	const { demand, schedule } = made;
	const peakC = peakOf(schedule);
	if (peakC > kiln.maxC)
		return problem(["kilnId"], say`This load needs ${{ c: peakC }}; the kiln goes to ${{ c: kiln.maxC }}.`);
	const tooHot = tooHotForMould(loaded, peakC);
	if (tooHot) return problem(["pieceIds"], tooHot);
	const reached = families.map((family) => reachedBy(schedule, family, first.level, kiln));
	const wrong = wish.laid && wrongByHand(laid, pieces, forms, kiln, schools.clearanceMm, reached);
	if (wrong) return problem(["laid"], wrong);

	const hours = (some: readonly WaitingPiece[]) => {
		const its = scheduleOf(some);
		return its ? scheduleHours(its.schedule, kiln.body) : 0;
	};
	const all = hours(loaded);
	const simulation = simulateLoad(loaded, kiln, main, schedule, shelves);
	return ok({
		places: laid.map((one) => placeOf(one, forms.get(one.id) as Form)),
		...{ reached, shelves, leftIds, schedule },
		setBy: demand.setBy,
		airMin: demand.airMin,
		needs: Object.fromEntries(loaded.map((piece) => [piece.id, demandOf(asked(piece), schools)])),
		gets: demand,
		costHours: Object.fromEntries(loaded.map(({ id }) => [id, all - hours(loaded.filter((other) => other.id !== id))])),
		fill: laid.reduce((sum, { id }) => sum + (forms.get(id)?.areaMm2 ?? 0), 0) / (usableMm2(kiln.shelf) * shelves),
		openS: simulation.openS,
		kwh: simulation.kwh,
		flow: simulation.flow,
	});
}
