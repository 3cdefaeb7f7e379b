import { buildShared } from "../firing/build-shared";
import { type Demand, demandOf, type PieceToFire } from "../firing/demand";
import type { FuseLevel } from "../firing/level";
import { type MergedDemand, mergeDemands } from "../firing/merge";
import { planFlow } from "../firing/plan-flow";
import { peakOf, type Schedule, scheduleHours } from "../firing/schedule";
import type { DotSchool, HeatSchool, Pace } from "../firing/schools";
import type { GlassFamily, SoakSchool } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import type { KilnBody } from "../kiln/kiln";
import type { Mould } from "../kit/mould";
import type { PieceBody } from "../piece/piece-body";
import { toFire } from "../piece/to-fire";
import { ok, problem, type Result } from "../result";
import { METRIC, phraseText } from "../units/phrase";
import { footprintOf, heightOf } from "./footprint";
import type { Reached } from "./heat-there";
import { type LayWish, layLoad, placeOf } from "./lay-load";
import type { Shelved } from "./lay-problems";
import { layWords } from "./lay-words";
import { simulateLoad } from "./load-heat";
import { loadProblems } from "./load-problems";
import { mouldProblem } from "./mould-problem";
import { type Form, formOf } from "./outlines/form";
import type { Uneven } from "./outlines/to-middle";
import type { Place } from "./place";
import { usableMm2 } from "./shelf";
import type { Tiered } from "./tiers";
import type { Sortable } from "./tray";

/** A piece that waits, with all a load has to know of it. */
export interface WaitingPiece extends Sortable {
	/** What people call it. */
	code: string;
	/** As the firing that comes next finds it. */
	body: PieceBody;
	/** The mould it is fired on: that is what takes room. */
	mould?: Mould | undefined;
}

export interface LoadKiln extends Tiered {
	/** Places that are hotter or cooler than the middle. */
	uneven?: readonly Uneven[];
	body: KilnBody;
	maxC: number;
}

export interface LoadSchools extends Pace {
	soak: SoakSchool;
	heat?: HeatSchool;
	dots?: DotSchool;
	clearanceMm: number;
	/** Two families may lie on halves of one shelf. */
	mixFamilies?: boolean;
}

export interface LoadProposal {
	places: Place[];
	/** What it does in the middle of the lowest shelf to each family; of two the first lies on the left. */
	reached: Reached[];
	/** How many shelves the kiln is loaded with. */
	shelves: number;
	/** Ids of pieces the shelf had no room for. */
	leftIds: string[];
	schedule: Schedule;
	setBy: MergedDemand["setBy"];
	airMin: number;
	/** What each piece asks of the schedule by itself, and what all of them get. */
	needs: Record<string, Demand>;
	gets: Demand;
	/** Hours of controller time that each piece costs the load: what it would save without it. */
	costHours: Record<string, number>;
	fill: number;
	openS: number;
	kwh: number;
	flow: number;
}

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
	if (peakC > kiln.maxC) return problem(["kilnId"], `This load needs ${peakC} °C; the kiln goes to ${kiln.maxC} °C.`);
	const weak = loaded.find(({ mould }) => mould && mould.kind !== "frame" && mould.maxC < peakC);
	if (weak)
		return problem(
			["pieceIds"],
			`This load goes to ${peakC} °C; the mould “${weak.mould?.name}” under ${weak.code} bears ${weak.mould?.maxC} °C.`,
		);
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

/** Why some pieces are never fired together in a kiln; undefined where they may be. */
function cannotShare(
	pieces: readonly WaitingPiece[],
	kiln: LoadKiln,
	families: readonly GlassFamily[],
	{ mixFamilies = false }: LoadSchools,
): string | undefined {
	const [main] = families;
	const foreign = pieces.find(({ familyId }) => familyId !== main?.id);
	const isMixed = mixFamilies && families.length === 2;
	if (foreign && !isMixed) return `${foreign.code} is of another family: one load takes one family.`;
	const untested = families.find(({ tested }) => !tested);
	if (untested) return `${untested.label} is untested glass and is not fired with anything.`;
	const tall = pieces.find((piece) => heightOf(piece) > kiln.clearHeightMm);
	return mouldProblem(pieces) ?? (tall && `${tall.code} is too high for this kiln.`);
}

const apartWords = (pieces: readonly WaitingPiece[], families: readonly GlassFamily[]): string =>
	new Set(pieces.map(({ level }) => level)).size > 1
		? "These pieces go to different fuse levels and cannot share a firing."
		: `No one schedule suits both ${families.map(({ label }) => label).join(" and ")}: fire them apart.`;

/** What is wrong first with where somebody put the pieces, in a sentence. */
function wrongByHand(
	laid: readonly Shelved[],
	pieces: readonly WaitingPiece[],
	forms: ReadonlyMap<string, Form>,
	kiln: LoadKiln,
	clearanceMm: number,
	reached: readonly Reached[],
): string | undefined {
	const pieceOf = (id: string) => pieces.find((one) => one.id === id) as WaitingPiece;
	const formed = laid.map((one) => {
		const piece = pieceOf(one.id);
		return { ...one, form: forms.get(one.id) as Form, standsMm: heightOf(piece), familyId: piece.familyId };
	});
	const wrong = loadProblems(formed, { kiln, clearanceMm, reached })[0];
	return (
		wrong &&
		phraseText(
			layWords(wrong, (id) => pieceOf(id).code, clearanceMm),
			METRIC,
		)
	);
}

/** What a schedule does in the middle of a kiln. */
export const reachedBy = (
	schedule: Schedule,
	family: GlassFamily,
	level: FuseLevel,
	{ body }: Pick<LoadKiln, "body">,
): Reached => ({ family, level, flow: planFlow(schedule, viscosityOf(family), body), peakC: peakOf(schedule) });
