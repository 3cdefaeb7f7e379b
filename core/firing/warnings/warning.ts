import type { Advice } from "../../advice";
import type { Segment } from "../schedule";

/** What a schedule may do to the glass that it should not. */
export type WarningCode =
	| "raised-slump-fast"
	| "black-beside-white"
	| "ramp-too-fast"
	| "air-hold-short"
	| "level-missed"
	| "level-passed"
	| "hold-long"
	| "untested-family"
	| "family-limit"
	| "soak-short"
	| "soak-missing"
	| "cool-too-fast"
	| "kiln-limit"
	| "too-many-segments"
	| "never-reached"
	| "kiln-lags"
	| "mould-limit";

/** What a schedule will do to the glass that it should not, with the figure behind it and one press that mends it. */
export interface ScheduleWarning extends Advice<WarningCode, { segments: Segment[] }> {
	/** The segment it is about; null for the whole. */
	segment: number | null;
}
