import { type ScaleLinear, scaleLinear } from "d3-scale";
import type { ZoomTransform } from "d3-zoom";
import type { CurveSeries } from "./series";

/** Heights of the strips below the curve, and the room around it, px. */
export const STRIP_PX = 44;
export const STRIP_STEP_PX = STRIP_PX + 6;
export const LEFT = 44;
const RIGHT_GAP = 10;
const BELOW = 24;
const ABOVE = 14;

/** Where everything of a chart stands: its scales, its edges, the hours written below. */
export interface ChartFrame {
	x: ScaleLinear<number, number>;
	y: ScaleLinear<number, number>;
	width: number;
	height: number;
	/** With the strips. */
	wholeHeight: number;
	right: number;
	bottom: number;
	endS: number;
	/** What is seen of the time axis, s. */
	fromS: number;
	toS: number;
	/** Hours between the words of the axis. */
	stepH: number;
	hours: number[];
}

/** Steps of the time axis, h; so many of them that at most nine words stand there. */
const STEPS_H = [1 / 6, 0.5, 1, 2, 4, 6, 12, 24, 48, 96];
const MOST_WORDS = 9;

export function frameOf(
	series: readonly CurveSeries[],
	strips: number,
	{ width, height, openS }: { width: number; height: number; openS: number | undefined },
	transform: ZoomTransform | null,
): ChartFrame {
	const endS = series.reduce((most, { points }) => Math.max(most, points.at(-1)?.s ?? 0), Math.max(openS ?? 0, 3600));
	const topC = series.reduce((most, { points }) => points.reduce((high, { c }) => Math.max(high, c ?? 0), most), 100);
	const [right, bottom] = [width - RIGHT_GAP, height - BELOW];
	const time = scaleLinear([0, endS], [LEFT, right]);
	const x = transform ? transform.rescaleX(time) : time;
	const [fromS, toS] = x.domain() as [number, number];
	const stepH = STEPS_H.find((hours) => (toS - fromS) / 3600 / hours <= MOST_WORDS) ?? 240;
	const first = Math.ceil(fromS / 3600 / stepH) * stepH;
	const count = Math.max(0, Math.floor((toS / 3600 - first) / stepH) + 1);
	return {
		x,
		y: scaleLinear([0, topC * 1.06], [bottom, ABOVE]),
		width,
		height,
		wholeHeight: height + strips * STRIP_STEP_PX,
		right,
		bottom,
		endS,
		fromS,
		toS,
		stepH,
		hours: Array.from({ length: count }, (_, i) => first + i * stepH),
	};
}
