import { mostOf } from "../extremes";
import { isOn } from "../geometry/inside";
import type { Point, Region } from "../geometry/region";
import type { Lain } from "./lay";
import { levelledShare, profileAfter, softened } from "./profile";

/** A line across the plan along which the piece is cut open in thought. mm */
export interface Cut {
	from: Point;
	to: Point;
}

/** What lies at one place of a section, from the shelf up; `glassMm` is what of it melts, `keptMm` what stays as it is. */
export interface SectionPlace {
	alongMm: number;
	layers: { partId: string; mm: number; glassMm: number; keptMm: number }[];
}

export interface Section {
	places: SectionPlace[];
	stepMm: number;
	lengthMm: number;
	/** Heights after the firing at the same places. */
	after: number[];
	/** Walls that stand there during the firing, mm high; 0 for none. */
	walls: number[];
	/** What it lies on there: a mould, or the shelf (0), mm over the lowest place. */
	floor: number[];
}

/** What keeps glass from rounding its edge in a firing: outlines that walls hold, and whether the walls stand. */
export interface InWalls {
	held: readonly Region[];
	stand: boolean;
}

/** Cuts a laid-up kit open along a line, at `count` evenly spaced places, before and after a firing of flow `flow`, on a floor. */
export function sectionAlong(
	lain: readonly Lain[],
	after: readonly Region[],
	cut: Cut,
	flow: number,
	count = 240,
	floorAt: (place: Point) => number = () => 0,
	inWalls: InWalls = { held: [], stand: false },
): Section {
	const lengthMm = Math.hypot(cut.to.x - cut.from.x, cut.to.y - cut.from.y);
	const stepMm = lengthMm / count;
	const [minX, maxX] = [Math.min(cut.from.x, cut.to.x), Math.max(cut.from.x, cut.to.x)];
	const near = lain.filter(({ box, part }) => part.kind !== "loop" && box.minX <= maxX && box.maxX >= minX);
	const at = (i: number): Point => {
		const share = (i + 0.5) / count;
		return { x: cut.from.x + share * (cut.to.x - cut.from.x), y: cut.from.y + share * (cut.to.y - cut.from.y) };
	};
	const dams = new Set(near.filter(({ part }) => part.kind === "dam").map(({ id }) => id));
	const places = Array.from({ length: count }, (_, i) => ({
		alongMm: (i + 0.5) * stepMm,
		layers: near
			.filter(({ region }) => isOn(at(i), region))
			.map(({ id, part, bulkMm, glassMm }) => ({
				partId: id,
				mm: bulkMm,
				glassMm,
				keptMm: part.kind === "fibre" ? bulkMm : 0,
			})),
	}));
	const heights = places.map(({ layers }) => layers.reduce((sum, { glassMm }) => sum + glassMm, 0));
	const covered = places.map((_, i) => after.some((region) => isOn(at(i), region)));
	const isHeld = places.map((_, i) => inWalls.held.some((region) => isOn(at(i), region)));
	const melted = levelIn(
		isHeld,
		fitted(profileAfter(heights, stepMm, flow), covered),
		softened(heights, stepMm, flow),
		flow,
	);
	const walls = places.map(({ layers }) =>
		inWalls.stand
			? mostOf(
					layers.map(({ partId, mm }) => (dams.has(partId) ? mm : 0)),
					0,
				)
			: 0,
	);
	const heightsAfter = melted.map((mm, i) => (mm > 0 ? mm + keptAt(places[i]) : 0));
	const floor = places.map((_, i) => floorAt(at(i)));
	return { places, stepMm, lengthMm, after: heightsAfter, walls, floor };
}

/** Glass that walls hold keeps its edge as high as its middle: it levels instead of becoming a lens. */
function levelIn(
	isHeld: readonly boolean[],
	melted: readonly number[],
	soft: readonly number[],
	flow: number,
): number[] {
	const out = [...melted];
	const left = 1 - levelledShare(flow);
	for (const { from, to } of runsOf(isHeld)) {
		const meanOf = (values: readonly number[]) => values.slice(from, to).reduce((sum, mm) => sum + mm, 0) / (to - from);
		const [mean, softMean] = [meanOf(melted), meanOf(soft)];
		for (let i = from; i < to; i++) out[i] = Math.max(0, mean + ((soft[i] as number) - softMean) * left);
	}
	return out;
}

const keptAt = (place: SectionPlace | undefined): number =>
	(place?.layers ?? []).reduce((sum, { keptMm }) => sum + keptMm, 0);

/** Stretches every run of glass to the run the fired outline leaves there, and keeps its area. */
function fitted(heights: readonly number[], covered: readonly boolean[]): number[] {
	const before = runsOf(heights.map((height) => height > 0));
	const after = runsOf(covered);
	if (before.length !== after.length) return [...heights];
	const out = heights.map(() => 0);
	after.forEach((run, k) => {
		const from = before[k] as Run;
		const [was, is] = [from.to - from.from, run.to - run.from];
		for (let i = run.from; i < run.to; i++) {
			const source = from.from + Math.min(was - 1, Math.floor(((i - run.from + 0.5) / is) * was));
			out[i] = ((heights[source] as number) * was) / is;
		}
	});
	return out;
}

interface Run {
	from: number;
	to: number;
}

function runsOf(filled: readonly boolean[]): Run[] {
	const runs: Run[] = [];
	filled.forEach((full, i) => {
		const last = runs.at(-1);
		if (full && last?.to === i) last.to = i + 1;
		else if (full) runs.push({ from: i, to: i + 1 });
	});
	return runs;
}
