import { buildSchedule } from "../firing/build";
import type { PieceToFire } from "../firing/demand";
import type { FuseLevel } from "../firing/level";
import { type MergedDemand, mergeDemands } from "../firing/merge";
import { planFlow } from "../firing/plan-flow";
import { peakOf, type Schedule, scheduleHours } from "../firing/schedule";
import type { DotSchool, HeatSchool, Pace } from "../firing/schools";
import type { Ring } from "../geometry/region";
import type { GlassFamily, SoakSchool } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import type { AsMade } from "../journey/events";
import type { KilnBody } from "../kiln/kiln";
import type { Mould } from "../kit/mould";
import { ok, problem, type Result } from "../result";
import { effectiveThicknessMm } from "../stack/effective-thickness";
import { METRIC, phraseText } from "../units/phrase";
import { footprintOf, heightOf } from "./footprint";
import { heatProblems, type Reached } from "./heat-there";
import { type LayWish, layLoad, placeOf } from "./lay-load";
import { type ShelvedForm, shelvedProblems } from "./lay-problems";
import { layWords } from "./lay-words";
import { simulateLoad } from "./load-heat";
import { mouldProblem } from "./mould-problem";
import { type Form, formOf } from "./outlines/form";
import type { Uneven } from "./outlines/to-middle";
import type { Place } from "./place";
import { usableMm2 } from "./shelf";
import { mostTiers, type Tiered, tiersOf } from "./tiers";
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
}

export interface LoadProposal {
	places: Place[];
	/** What it does in the middle of the lowest shelf. */
	reached: Reached;
	/** How many shelves the kiln is loaded with. */
	shelves: number;
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

	const wanted = mergeDemands(pieces.map(toFire), schools);
	if (!wanted) return problem(["pieceIds"], "These pieces go to different fuse levels and cannot share a firing.");
	const { heat, dots } = schools;
	const build = { family, kiln: kiln.body, soakSchool: schools.soak, ...(heat && { heat }), ...(dots && { dots }) };
	const forms = new Map(pieces.map((piece) => [piece.id, formOf(footprintOf(piece))]));
	const meant = reachedBy(buildSchedule(wanted, build), family, first.level, kiln);
	const { laid, leftIds, shelves } = layLoad(pieces, forms, kiln, schools.clearanceMm, wish, meant);
	if (shelves > mostTiers(kiln)) return problem(["laid"], "This kiln has not so many shelves.");
	const placed = new Set(laid.map(({ id }) => id));
	const loaded = wish.scheduleOnly ? [...pieces] : pieces.filter(({ id }) => placed.has(id));
	const merged = mergeDemands(loaded.map(toFire), schools);
	if (!merged) return problem(["pieceIds"], "None of these pieces fits on this shelf.");
	const schedule = buildSchedule(merged, build);
	const peakC = peakOf(schedule);
	if (peakC > kiln.maxC) return problem(["kilnId"], `This load needs ${peakC} °C; the kiln goes to ${kiln.maxC} °C.`);
	const tiers = tiersOf(kiln, shelves);
	const reached = reachedBy(schedule, family, first.level, kiln);
	if (wish.laid) {
		const pieceOf = (id: string) => pieces.find((one) => one.id === id) as WaitingPiece;
		const formed = laid.map(
			(one): ShelvedForm => ({ ...one, form: forms.get(one.id) as Form, standsMm: heightOf(pieceOf(one.id)) }),
		);
		const wrong =
			shelvedProblems(formed, tiers, schools.clearanceMm)[0] ??
			heatProblems(formed, tiers, kiln.uneven ?? [], reached)[0];
		if (wrong)
			return problem(
				["laid"],
				phraseText(
					layWords(wrong, (id) => pieceOf(id).code, schools.clearanceMm),
					METRIC,
				),
			);
	}

	const hours = (demand: MergedDemand | undefined) =>
		demand ? scheduleHours(buildSchedule(demand, build), kiln.body) : 0;
	const all = hours(merged);
	const costHours = Object.fromEntries(
		loaded.map(({ id }) => [
			id,
			all - hours(mergeDemands(loaded.filter((other) => other.id !== id).map(toFire), schools)),
		]),
	);
	const simulation = simulateLoad(loaded, kiln, family, schedule, shelves);
	return ok({
		places: laid.map((one) => placeOf(one, forms.get(one.id) as Form)),
		...{ reached, shelves, leftIds, schedule },
		setBy: merged.setBy,
		airMin: merged.airMin,
		costHours,
		fill:
			laid.reduce((sum, { id }) => sum + (forms.get(id)?.areaMm2 ?? 0), 0) /
			tiers.reduce((sum, { shelf }) => sum + usableMm2(shelf), 0),
		openS: simulation.openS,
		kwh: simulation.kwh,
		flow: simulation.flow,
	});
}

/** What a schedule does in the middle of a kiln. */
export const reachedBy = (
	schedule: Schedule,
	family: GlassFamily,
	level: FuseLevel,
	{ body }: Pick<LoadKiln, "body">,
): Reached => ({ family, level, flow: planFlow(schedule, viscosityOf(family), body), peakC: peakOf(schedule) });
