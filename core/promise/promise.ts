import type { JourneyState } from "../journey/journey";

/** Hours of each part of a piece's way: until it is loaded, fired and cool, judged, cold-worked, wrapped. */
export interface UsualHours {
	queue: number;
	firing: number;
	judge: number;
	coldWork: number;
	wrap: number;
}

/** How long things take where the studio has no record yet, hours. Common practice, no source. */
export const USUAL_HOURS: UsualHours = { queue: 36, firing: 20, judge: 12, coldWork: 24, wrap: 4 };

export interface OnItsWay {
	state: JourneyState;
	/** Firings of the route still to come, the present one included. */
	firingsLeft: number;
	/** Instants, ms. */
	readyFromMs: number | undefined;
	firingOpensMs: number | undefined;
}

/** The instant (ms) a piece will probably be ready to collect; undefined for a piece nobody waits for. An estimate. */
export function expectedReadyMs(piece: OnItsWay, nowMs: number, usual: UsualHours = USUAL_HOURS): number | undefined {
	const hour = 3_600_000;
	const { queue, firing, judge, coldWork, wrap } = usual;
	const eachFiring = queue + firing + judge;
	const later = Math.max(0, piece.firingsLeft - 1) * eachFiring * hour;
	switch (piece.state) {
		case "new":
		case "issued":
			return nowMs + later + (24 + eachFiring + wrap) * hour;
		case "queued":
			return Math.max(nowMs, piece.readyFromMs ?? nowMs) + later + (eachFiring + wrap) * hour;
		case "placed":
		case "inKiln":
			return Math.max(nowMs, piece.firingOpensMs ?? nowMs + firing * hour) + later + (judge + wrap) * hour;
		case "coldWork":
			return nowMs + piece.firingsLeft * eachFiring * hour + (coldWork + wrap) * hour;
		case "ready":
			return nowMs;
		default:
			return undefined;
	}
}

export type PromiseState = "kept" | "ok" | "atRisk" | "late";

/** @param promisedEndMs end of the promised day */
export function promiseState(
	piece: OnItsWay,
	promisedEndMs: number,
	nowMs: number,
	usual: UsualHours = USUAL_HOURS,
): PromiseState {
	if (piece.state === "ready" || piece.state === "collected") return "kept";
	if (nowMs > promisedEndMs) return "late";
	const expected = expectedReadyMs(piece, nowMs, usual);
	return expected === undefined || expected > promisedEndMs ? "atRisk" : "ok";
}
