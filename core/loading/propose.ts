import { mostOf } from "../extremes";
import { buildSchedule } from "../firing/build";
import type { PieceToFire } from "../firing/demand";
import type { FuseLevel } from "../firing/level";
import { LEVEL_AIM } from "../firing/level";
import { type MergedDemand, mergeDemands } from "../firing/merge";
import { type Schedule, scheduleHours } from "../firing/schedule";
import type { DotSchool, HeatSchool, Pace } from "../firing/schools";
import { DENSITY_G_PER_MM3 } from "../glass/constants";
import type { GlassFamily, SoakSchool } from "../glass/family";
import type { AsMade } from "../journey/events";
import { meanThicknessMm } from "../journey/mean-thickness";
import type { KilnBody } from "../kiln/kiln";
import { type Simulation, simulateFiring } from "../kiln/simulate";
import { ok, problem, type Result } from "../result";
import { effectiveThicknessMm } from "../stack/effective-thickness";
import { spreadOf } from "../stack/outline";
import { bestPacking } from "./best-packing";
import { type Box, fillShare, type Place } from "./pack";
import type { Shelf } from "./shelf";
import type { Sortable } from "./tray";

/** A piece that waits, with all a load has to know of it. */
export interface WaitingPiece extends Sortable {
	/** What people call it. */
	code: string;
	asMade: AsMade;
	hadLevel: FuseLevel | undefined;
	blackBesideWhite: boolean;
	trappedSpanMm: number;
}

export interface LoadKiln {
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

/** The piece's footprint after firing to its level: what has to stay free of neighbours. */
export function firedBox(piece: WaitingPiece): Box & { edgeMm: number } {
	const { widthMm, heightMm } = piece.asMade;
	const { edgeMm } = spreadOf({
		widthMm,
		heightMm,
		areaMm2: widthMm * heightMm,
		meanMm: meanThicknessMm(piece.asMade),
		flow: LEVEL_AIM[piece.level],
	});
	const grown = Math.max(0, edgeMm);
	return { id: piece.id, widthMm: widthMm + 2 * grown, heightMm: heightMm + 2 * grown, edgeMm };
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
): Result<LoadProposal> {
	const first = pieces[0];
	if (!first) return problem(["pieceIds"], "No piece was chosen for this load.");
	const foreign = pieces.find((piece) => piece.familyId !== family.id);
	if (foreign) return problem(["pieceIds"], `${foreign.code} is of another family: one load takes one family.`);
	if (!family.tested) return problem(["pieceIds"], `${family.label} is untested glass and is not fired with anything.`);
	const tall = pieces.find((piece) => piece.asMade.thickestMm > kiln.clearHeightMm);
	if (tall) return problem(["pieceIds"], `${tall.code} is too high for this kiln.`);

	const area = (box: Box) => box.widthMm * box.heightMm;
	const order = (a: WaitingPiece, b: WaitingPiece) =>
		(a.promised ?? "9").localeCompare(b.promised ?? "9") ||
		area(firedBox(b)) - area(firedBox(a)) ||
		a.id.localeCompare(b.id);
	const days = [...new Set(pieces.map(({ promised }) => promised ?? "9"))].sort();
	const dayOf = new Map(pieces.map(({ id, promised }) => [id, days.indexOf(promised ?? "9")]));
	const boxes = [...pieces].sort(order).map(firedBox);
	const { places, left } = bestPacking(boxes, kiln.shelf, schools.clearanceMm, (id) => dayOf.get(id) ?? 0);
	const placed = new Set(places.map(({ id }) => id));
	const loaded = pieces.filter(({ id }) => placed.has(id));
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
		places,
		leftIds: left.map(({ id }) => id),
		schedule,
		setBy: merged.setBy,
		airMin: merged.airMin,
		costHours,
		fill: fillShare(places, kiln.shelf),
		openS: simulation.openS,
		kwh: simulation.kwh,
		flow: simulation.flow,
	});
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
