import type { GlassFamily } from "../../glass/family";
import type { KilnBody } from "../../kiln/kiln";
import type { Simulation } from "../../kiln/simulate";
import type { Demand } from "../demand";
import type { ScheduleDocument } from "../document";
import { nameSegments } from "../name-segments";
import type { Segment } from "../schedule";

export interface KilnLimits {
	maxC: number;
	maxSegments: number;
}

/** A schedule with all that warnings about it go by. */
export interface Case {
	document: ScheduleDocument;
	segments: readonly Segment[];
	demand: Demand;
	family: GlassFamily;
	kiln: KilnBody | undefined;
	limits: KilnLimits | undefined;
	thickestMm: number;
	peak: number;
	/** The firing as the curve beside the warnings shows it: tension on the way up, on the way down, and what stays, Pa. */
	felt(): Pick<Simulation, "heatingStressPa" | "coolingStressPa" | "frozenStressPa">;
}

/** Where a segment begins, °C. */
export const startOf = ({ segments, kiln }: Case, i: number): number => segments[i - 1]?.targetC ?? kiln?.roomC ?? 20;

/** The schedule with one segment changed. */
export const changed = ({ segments }: Case, i: number, change: Partial<Segment>): Segment[] =>
	nameSegments(segments.map((one, k) => (k === i ? { ...one, ...change } : one)));
