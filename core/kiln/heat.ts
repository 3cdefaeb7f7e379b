import type { SensorFault } from "./sensor";

/** Why nothing was measured: there is no line, or what it says is not known, not new, or not to be believed. */
export const UNMEASURED = ["noLine", "never", "silent", "sensorOpen", "sensorFault", "unconfirmed"] as const;
export type Unmeasured = (typeof UNMEASURED)[number];

export const UNMEASURED_WORDS: Record<Unmeasured, string> = {
	noLine: "not measured",
	never: "nothing read yet",
	silent: "no reading",
	sensorOpen: "sensor open",
	sensorFault: "sensor at fault",
	unconfirmed: "recorder not confirmed",
};

/**
 * What is known of how hot a kiln is, and how. Each kind has a figure of its own name, so that none is shown as another: measured by its
 * line, read off its display by a person, computed from the plan of what runs in it, or nothing. Instants are ISO, temperatures °C.
 */
export type KilnHeat =
	| { how: "measured"; measuredC: number; at: string; ofThisFiring: boolean }
	| { how: "read"; readC: number; at: string; readBy: string }
	| { how: "computed"; computedC: number; why: Unmeasured }
	| { how: "nothing"; why: Unmeasured; last: { lastC: number; at: string } | null };

/** How long (s) what a person read off the display stands for what the kiln is: by then it is up to some 100 K away. */
export const READ_FOR_S = 900;

export interface HeatFacts {
	nowMs: number;
	/** How old (s) a reading of the line may be; null for a kiln without a line. */
	lineLimitS: number | null;
	/** The last that the line said, and whether that was in the firing that runs. */
	reading: { atMs: number; airC: number | null; ofThis: boolean } | undefined;
	/** What a person read last. */
	looked: { atMs: number; c: number; readBy: string } | undefined;
	/** The line’s form is not confirmed, or has changed. */
	unconfirmed: boolean;
	/** The sensor does what no kiln can. */
	fault: SensorFault | undefined;
	/** By the plan of what runs; null where nothing runs. */
	plannedC: number | null;
}

/** What is known of a kiln’s heat: the line where it can be believed, else a person, else the plan where there is no line, else nothing. */
export function heatOf(facts: HeatFacts): KilnHeat {
	const { nowMs, reading, looked, plannedC } = facts;
	const why = whyUnmeasured(facts);
	if (!why && reading && reading.airC !== null)
		return {
			how: "measured",
			measuredC: reading.airC,
			at: new Date(reading.atMs).toISOString(),
			ofThisFiring: reading.ofThis,
		};
	if (looked && looked.atMs <= nowMs && nowMs - looked.atMs <= READ_FOR_S * 1000)
		return { how: "read", readC: looked.c, at: new Date(looked.atMs).toISOString(), readBy: looked.readBy };
	if (why === "noLine" && plannedC !== null) return { how: "computed", computedC: plannedC, why };
	const last = reading && reading.airC !== null && why !== "sensorFault" ? reading : undefined;
	return {
		how: "nothing",
		why: why ?? "never",
		last: last ? { lastC: last.airC as number, at: new Date(last.atMs).toISOString() } : null,
	};
}

function whyUnmeasured({ nowMs, lineLimitS, reading, unconfirmed, fault }: HeatFacts): Unmeasured | undefined {
	if (lineLimitS === null) return "noLine";
	if (unconfirmed) return "unconfirmed";
	if (!reading) return "never";
	const ageS = (nowMs - reading.atMs) / 1000;
	if (ageS > lineLimitS || ageS < 0) return "silent";
	if (reading.airC === null) return "sensorOpen";
	return fault ? "sensorFault" : undefined;
}
