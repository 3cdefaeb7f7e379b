import { mostOf } from "../extremes";
import { buildSchedule } from "../firing/build";
import type { PieceToFire } from "../firing/demand";
import type { FuseLevel } from "../firing/level";
import { type MergedDemand, mergeDemands } from "../firing/merge";
import { type Schedule, scheduleHours } from "../firing/schedule";
import type { DotSchool, HeatSchool, Pace } from "../firing/schools";
import { boundsOf } from "../geometry/bounds";
import type { Ring } from "../geometry/region";
import { DENSITY_G_PER_MM3 } from "../glass/constants";
import type { GlassFamily, SoakSchool } from "../glass/family";
import type { AsMade } from "../journey/events";
import { meanThicknessMm } from "../journey/mean-thickness";
import type { KilnBody } from "../kiln/kiln";
import { type Simulation, simulateFiring } from "../kiln/simulate";
import type { Mould } from "../kit/mould";
import { ok, problem, type Result } from "../result";
import { effectiveThicknessMm } from "../stack/effective-thickness";
import { footprintOf, heightOf } from "./footprint";
import { type Laid, layProblems } from "./lay-problems";
import { mouldProblem } from "./mould-problem";
import { bestLaid, USUAL_LAY_PASSES } from "./outlines/best-laid";
import { type Form, formOf } from "./outlines/form";
import type { Uneven } from "./outlines/to-middle";
import type { Place } from "./place";
import { type Shelf, usableMm2 } from "./shelf";
import type { Sortable } from "./tray";

/** A piece that waits, with all a load has to know of it. */
export interface WaitingPiece extends Sortable {
	/** What people call it. */
	code: string;
	asMade: AsMade;
	hadLevel: FuseLevel | undefined;
	blackBesideWhite: boolean;
	trappedSpanMm: number;
	/** Of its kit as laid up, counter-clockwise; a piece without a kit is a box. */
	kitOutline?: Ring | undefined;
	/** The mould it is fired on: that is what takes room. */
	mould?: Mould | undefined;
}

export interface LoadKiln {
	/** Places that are hotter or cooler than the middle. */
	uneven?: readonly Uneven[];
	body: KilnBody;
	shelf: Shelf;
	clearHeightMm: number;
	maxC: number;
}

export interface LoadSchools extends Pace {
	soak: SoakSchool;
	heat?: HeatSchool;
	dots?: DotSchool;
	clearanceMm: number;
}

export interface LoadProposal {
	places: Place[];
	/** Ids of pieces the shelf had no room for. */
	leftIds: string[];
	schedule: Schedule;
	setBy: MergedDemand["setBy"];
	airMin: number;
	/** Hours of controller time that each piece costs the load: what it would save without it. */
	costHours: Record<string, number>;
	fill: number;
	openS: number;
	kwh: number;
	flow: number;
}

/** Heat held by shelf, posts and glass, J/kgK. Textbook, from memory. */
const GLASS_J_PER_KG_K = 900;
const SHELF_KG_PER_M2 = 27;

export const toFire = (piece: WaitingPiece): PieceToFire => ({
	id: piece.id,
	level: piece.level,
	thickestMm: piece.asMade.thickestMm,
	effectiveMm: piece.effectiveMm,
	acrossMm: Math.max(piece.asMade.widthMm, piece.asMade.heightMm),
	fired: piece.hadLevel !== undefined,
	blackBesideWhite: piece.blackBesideWhite,
	multiLevel: piece.asMade.thinnestMm > 0 && piece.asMade.thickestMm / piece.asMade.thinnestMm > 1.2,
	trappedSpanMm: piece.hadLevel === undefined ? piece.trappedSpanMm : 0,
});

export const effectiveOf = (made: AsMade, level: FuseLevel, hadLevel: FuseLevel | undefined): number =>
	effectiveThicknessMm(made.thickestMm, made.thinnestMm, level, hadLevel);

export interface LayWish {
	/** Where pieces were put by hand; they are checked, not laid again. */
	laid?: readonly Laid[] | undefined;
	/** Orders that are tried after the usual ones. */
	passes?: number | undefined;
	/** Somebody lays them elsewhere: only the schedule is wanted, for all of them. */
	scheduleOnly?: boolean | undefined;
}

/**
 * One load: as many of the pieces as the shelf holds, those promised first left out last; one schedule for all of them and
 * who sets each part of it; simulated on the kiln for the time to open. Pure: the same input gives the same load.
 */
export function proposeLoad(
	pieces: readonly WaitingPiece[],
	kiln: LoadKiln,
	family: GlassFamily,
	schools: LoadSchools,
	wish: LayWish = {},
): Result<LoadProposal> {
	const first = pieces[0];
	if (!first) return problem(["pieceIds"], "No piece was chosen for this load.");
	const foreign = pieces.find((piece) => piece.familyId !== family.id);
	if (foreign) return problem(["pieceIds"], `${foreign.code} is of another family: one load takes one family.`);
	if (!family.tested) return problem(["pieceIds"], `${family.label} is untested glass and is not fired with anything.`);
	const lacking = mouldProblem(pieces);
	if (lacking) return problem(["pieceIds"], lacking);
	const tall = pieces.find((piece) => heightOf(piece) > kiln.clearHeightMm);
	if (tall) return problem(["pieceIds"], `${tall.code} is too high for this kiln.`);

	const forms = new Map(pieces.map((piece) => [piece.id, formOf(footprintOf(piece))]));
	const { laid, leftIds } = layFor(pieces, forms, kiln, schools.clearanceMm, wish);
	if (wish.laid) {
		const wrong = layProblems(
			laid.map((one) => ({ ...one, form: forms.get(one.id) as Form })),
			kiln.shelf,
			schools.clearanceMm,
		)[0];
		const codeOf = (id: string | undefined) => pieces.find((one) => one.id === id)?.code ?? "";
		if (wrong) {
			const said = {
				edge: `${codeOf(wrong.id)} lies over the edge of what may be used of the shelf.`,
				post: `${codeOf(wrong.id)} would touch a post or come too near it.`,
				near: `${codeOf(wrong.id)} and ${codeOf("otherId" in wrong ? wrong.otherId : "")} would touch or come too near each other.`,
			};
			return problem(["laid"], said[wrong.kind]);
		}
	}
	const placed = new Set(laid.map(({ id }) => id));
	const loaded = wish.scheduleOnly ? [...pieces] : pieces.filter(({ id }) => placed.has(id));
	if (loaded.length === 0) return problem(["pieceIds"], "None of these pieces fits on this shelf.");

	const merged = mergeDemands(loaded.map(toFire), schools);
	if (!merged) return problem(["pieceIds"], "These pieces go to different fuse levels and cannot share a firing.");
	const { heat, dots } = schools;
	const build = { family, kiln: kiln.body, soakSchool: schools.soak, ...(heat && { heat }), ...(dots && { dots }) };
	const schedule = buildSchedule(merged, build);
	const peakC = Math.max(...schedule.segments.map(({ targetC }) => targetC));
	if (peakC > kiln.maxC) return problem(["kilnId"], `This load needs ${peakC} °C; the kiln goes to ${kiln.maxC} °C.`);

	const hours = (demand: MergedDemand | undefined) =>
		demand ? scheduleHours(buildSchedule(demand, build), kiln.body) : 0;
	const all = hours(merged);
	const costHours = Object.fromEntries(
		loaded.map(({ id }) => [
			id,
			all - hours(mergeDemands(loaded.filter((other) => other.id !== id).map(toFire), schools)),
		]),
	);
	const simulation = simulateLoad(loaded, kiln, family, schedule);
	return ok({
		places: laid.map((one) => placeOf(one, forms.get(one.id) as Form)),
		leftIds,
		schedule,
		setBy: merged.setBy,
		airMin: merged.airMin,
		costHours,
		fill: laid.reduce((sum, { id }) => sum + (forms.get(id)?.areaMm2 ?? 0), 0) / usableMm2(kiln.shelf),
		openS: simulation.openS,
		kwh: simulation.kwh,
		flow: simulation.flow,
	});
}

/** Where everything lies: as it was put by hand, or as it is best laid. */
function layFor(
	pieces: readonly WaitingPiece[],
	forms: ReadonlyMap<string, Form>,
	{ shelf, uneven = [] }: LoadKiln,
	clearanceMm: number,
	{ laid, passes = USUAL_LAY_PASSES, scheduleOnly = false }: LayWish,
): { laid: Laid[]; leftIds: string[] } {
	if (laid) {
		const theirs = laid.filter(({ id }) => forms.has(id));
		const placed = new Set(theirs.map(({ id }) => id));
		return { laid: theirs, leftIds: pieces.flatMap(({ id }) => (placed.has(id) ? [] : [id])) };
	}
	if (scheduleOnly) return { laid: [], leftIds: [] };
	const days = [...new Set(pieces.map(({ promised }) => promised ?? "9"))].sort();
	const formOfId = (id: string) => forms.get(id) as Form;
	const ranked = pieces
		.map(({ id, promised }) => ({ id, form: formOfId(id), rank: days.indexOf(promised ?? "9") }))
		.sort((a, b) => a.rank - b.rank || b.form.areaMm2 - a.form.areaMm2 || a.id.localeCompare(b.id));
	return bestLaid({ pieces: ranked, shelf, clearanceMm, passes, uneven });
}

function placeOf({ id, xMm, yMm, turnDeg }: Laid, { outline }: Form): Place {
	const { widthMm, heightMm } = boundsOf([outline]);
	return { id, xMm, yMm, turnDeg, widthMm, heightMm, outline };
}

/** What lies on the shelf: the thickest glass, and the heat that shelf and glass hold. */
export function loadHeat(
	loaded: readonly { asMade: AsMade }[],
	shelf: Pick<Shelf, "widthMm" | "heightMm">,
	bareMm = 0,
): { thicknessMm: number; loadJPerK: number } {
	const glassKg = loaded.reduce(
		(sum, { asMade }) => sum + asMade.widthMm * asMade.heightMm * meanThicknessMm(asMade) * (DENSITY_G_PER_MM3 / 1000),
		0,
	);
	const shelfKg = ((shelf.widthMm * shelf.heightMm) / 1e6) * SHELF_KG_PER_M2;
	return {
		thicknessMm: mostOf([bareMm, ...loaded.map(({ asMade }) => asMade.thickestMm)]),
		loadJPerK: (glassKg + shelfKg) * GLASS_J_PER_KG_K,
	};
}

/** The firing of a load on its kiln. */
export const simulateLoad = (
	loaded: readonly { asMade: AsMade }[],
	kiln: Pick<LoadKiln, "body" | "shelf">,
	family: GlassFamily,
	schedule: Schedule,
): Simulation => simulateFiring({ kiln: kiln.body, schedule, family, ...loadHeat(loaded, kiln.shelf) });
