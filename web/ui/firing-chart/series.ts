import type { Curve } from "@core/firing/curve";

/** A point of a line; null leaves a gap. */
export interface ChartPoint {
	s: number;
	c: number | null;
}

export const KINDS = ["plan", "other", "simulated", "top", "core", "shelf", "predicted", "measured"] as const;
export type SeriesKind = (typeof KINDS)[number];

export interface CurveSeries {
	name: string;
	points: readonly ChartPoint[];
	kind: SeriesKind;
}

/** A quantity below the curve, on the same time axis. */
export interface ChartStrip {
	name: string;
	points: readonly { s: number; v: number }[];
	/** Written beside the figure. */
	unit: string;
	scale: "linear" | "log";
	from: number;
	to: number;
	/** Lines across it, with a word each. */
	lines: readonly { at: number; word: string }[];
	digits: number;
}

export const STROKE: Record<SeriesKind, string> = {
	plan: "stroke-base-content",
	other: "stroke-base-content/55",
	simulated: "stroke-secondary",
	top: "stroke-success",
	core: "stroke-warning",
	shelf: "stroke-neutral",
	predicted: "stroke-accent",
	measured: "stroke-accent",
};
export const DASH: Record<SeriesKind, string | undefined> = {
	plan: undefined,
	other: "7 4",
	simulated: "4 3",
	top: "6 2 1.5 2",
	core: "1.5 3",
	shelf: "1 2",
	predicted: "3 3",
	measured: undefined,
};
export const WIDTH = (kind: SeriesKind): number => (kind === "measured" ? 2.6 : kind === "plan" ? 1.8 : 1.5);

/** The value at `s`, straight between points; undefined in a gap and outside. */
export function valueAt(points: readonly { s: number; v: number | null }[], s: number): number | undefined {
	let low = 0;
	let high = points.length - 1;
	if (high < 0 || s < (points[0]?.s ?? 0) || s > (points[high]?.s ?? 0)) return undefined;
	while (high - low > 1) {
		const middle = (low + high) >> 1;
		if ((points[middle]?.s ?? 0) <= s) low = middle;
		else high = middle;
	}
	const [a, b] = [points[low], points[high]];
	if (!a || !b || a.v === null || b.v === null) return undefined;
	return b.s === a.s ? b.v : a.v + ((b.v - a.v) * (s - a.s)) / (b.s - a.s);
}

/** Φ and levels are far apart: their strip is logarithmic. */
export const asStrip = (points: readonly { s: number; flow: number }[]) =>
	points.map(({ s, flow }) => ({ s, v: Math.max(1e-4, flow) }));

export const curveOfSeries = (points: readonly ChartPoint[]): Curve =>
	points.flatMap(({ s, c }) => (c === null ? [] : [{ s, c }]));
