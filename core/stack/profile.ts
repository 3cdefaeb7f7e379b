import { type FuseLevel, LEVEL_AIM } from "../firing/level";

/** Heights (mm) at evenly spaced places across a section. */
export type Profile = readonly number[];

/** Fitted to how levels look in practice: how far steps melt into each other, how soon the whole becomes one lens. */
const SMOOTH_MM = 1.5;
const LENS_FLOW = 3.4;

/**
 * A section's heights after a flow index: steps soften by a Gaussian whose width grows with the flow, and the whole tends
 * to one lens of the same width. Conserves the area of glass. An estimate for drawings.
 * @param stepMm distance between places, mm
 */
export function profileAfter(heights: Profile, stepMm: number, flow: number): number[] {
	const area = sum(heights);
	if (area === 0 || flow <= 0.004) return [...heights];
	const smooth = softened(heights, stepMm, flow);
	const share = levelledShare(flow);
	const lens = lensOf(heights, area);
	const mixed = smooth.map((height, i) => height * (1 - share) + (lens[i] as number) * share);
	const scale = area / sum(mixed);
	return mixed.map((height) => height * scale);
}

/** How much of the way to one lens a flow index goes, 0–1. */
export const levelledShare = (flow: number): number => 1 - Math.exp(-((flow / LENS_FLOW) ** 1.5));

/** Heights (mm) with their steps softened as far as a flow index does it. */
export const softened = (heights: Profile, stepMm: number, flow: number): number[] =>
	smoothed(heights, (SMOOTH_MM * Math.sqrt(flow)) / stepMm);

const sum = (values: Profile) => values.reduce((total, value) => total + value, 0);

/** Gaussian smoothing that loses nothing at the ends of the glass: only places with glass take part. */
function smoothed(heights: Profile, sigma: number): number[] {
	const reach = Math.max(1, Math.ceil(sigma * 3));
	const out = new Array<number>(heights.length).fill(0);
	heights.forEach((height, i) => {
		if (height === 0) return;
		const weights: [number, number][] = [];
		for (let j = Math.max(0, i - reach); j <= Math.min(heights.length - 1, i + reach); j++) {
			if ((heights[j] as number) > 0) weights.push([j, Math.exp(-((j - i) ** 2) / (2 * sigma * sigma))]);
		}
		const total = weights.reduce((all, [, weight]) => all + weight, 0);
		for (const [j, weight] of weights) out[j] = (out[j] as number) + (height * weight) / total;
	});
	return out;
}

/** Every run of glass as a flat lens with round shoulders, together of the same area. */
function lensOf(heights: Profile, area: number): number[] {
	const lens = new Array<number>(heights.length).fill(0);
	let from = -1;
	for (let i = 0; i <= heights.length; i++) {
		const glass = (heights[i] ?? 0) > 0;
		if (glass && from < 0) from = i;
		if (!glass && from >= 0) {
			const run = heights.slice(from, i);
			const shape = run.map((_, j) => (1 - Math.abs(((j + 0.5) / run.length) * 2 - 1) ** 6) ** 0.5);
			const scale = sum(run) / sum(shape);
			shape.forEach((value, j) => {
				lens[from + j] = value * scale;
			});
			from = -1;
		}
	}
	const scale = area / sum(lens);
	return lens.map((value) => value * scale);
}

/** The section of the level glyphs: a single bar on a wider single bar, after that level's usual heat. */
export function glyphProfile(level: FuseLevel, places = 48): number[] {
	const heights = Array.from({ length: places }, (_, i) => {
		const across = (i + 0.5) / places;
		if (across < 0.06 || across > 0.94) return 0;
		return across > 0.28 && across < 0.72 ? 6 : 3;
	});
	return profileAfter(heights, 26 / places, LEVEL_AIM[level]);
}
