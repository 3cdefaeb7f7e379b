import { coolingTimeS, type KilnBody, naturalCoolingC } from "../kiln/kiln";
import type { CurvePoint } from "./curve";

export type SegmentName = "up" | "peak" | "drop" | "down1" | "down2" | "down3";

/** What a segment is for, in words for a screen. */
export const SEGMENT_WORDS: Record<SegmentName, string> = {
	up: "up, glass cold",
	peak: "up, then hold",
	drop: "power off, anneal",
	down1: "down, slow",
	down2: "down, faster",
	down3: "down to open",
};

/** A rate of "full" is full power upwards and power off downwards. */
export interface Segment {
	name: SegmentName;
	rateCPerH: number | "full";
	targetC: number;
	holdMin: number;
}

export interface Schedule {
	segments: Segment[];
}

/** Fallbacks where no kiln is known. Common practice, no source. */
const UNKNOWN_KILN_UP_C_PER_H = 400;
export const UNKNOWN_KILN_DROP_C_PER_H = 250;
const DROP_SAMPLES = 24;

/**
 * The set-point curve a schedule asks for, from `startC`. Where power is off, the kiln's own drop is drawn
 * (exponential, kiln known) or 250 °C/h; full power is drawn at what the kiln can give.
 */
export function curveOf(schedule: Schedule, kiln: KilnBody | undefined, startC = kiln?.roomC ?? 20): CurvePoint[] {
	const curve: CurvePoint[] = [{ s: 0, c: startC }];
	for (const segment of schedule.segments) {
		const { s, c } = curve[curve.length - 1] as CurvePoint;
		const arrival = s + rampSeconds(c, segment, kiln);
		if (segment.rateCPerH === "full" && segment.targetC < c && kiln) {
			for (let i = 1; i < DROP_SAMPLES; i++) {
				const part = ((arrival - s) * i) / DROP_SAMPLES;
				curve.push({ s: s + part, c: naturalCoolingC(kiln, c, part) });
			}
		}
		curve.push({ s: arrival, c: segment.targetC });
		if (segment.holdMin > 0) curve.push({ s: arrival + segment.holdMin * 60, c: segment.targetC });
	}
	return curve;
}

function rampSeconds(fromC: number, segment: Segment, kiln: KilnBody | undefined): number {
	const { rateCPerH, targetC } = segment;
	if (rateCPerH !== "full") return (Math.abs(targetC - fromC) / rateCPerH) * 3600;
	if (targetC < fromC) {
		return kiln ? coolingTimeS(kiln, fromC, targetC) : ((fromC - targetC) / UNKNOWN_KILN_DROP_C_PER_H) * 3600;
	}
	if (!kiln) return ((targetC - fromC) / UNKNOWN_KILN_UP_C_PER_H) * 3600;
	const ceilingC = kiln.roomC + kiln.powerW / kiln.lossWPerK;
	return (kiln.capacityJPerK / kiln.lossWPerK) * Math.log((ceilingC - fromC) / (ceilingC - targetC));
}

/** Hours the controller needs for a schedule. */
export function scheduleHours(schedule: Schedule, kiln: KilnBody | undefined): number {
	return (curveOf(schedule, kiln).at(-1)?.s ?? 0) / 3600;
}

/** Highest temperature a schedule asks for, °C. */
/** Index of the last segment that goes as hot as any. */
export const peakIndexOf = ({ segments }: Schedule): number => {
	const hottest = peakOf({ segments });
	return segments.findLastIndex(({ targetC }) => targetC === hottest);
};

export const peakOf = (schedule: Schedule): number => Math.max(...schedule.segments.map((segment) => segment.targetC));
