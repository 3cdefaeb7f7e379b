import type { Segment } from "@core/firing/schedule";

/**
 * A simulated kiln that ships with the product: its own physics, not the core's. Two bodies, elements and chamber, with
 * their own sizes, a sensor that is a little off and a little noisy. Its clock may run faster than the wall's.
 */
export interface StandInProgram {
	segments: readonly Segment[];
	startedAtMs: number;
	speedUp: number;
}

export interface StandInReading {
	airC: number;
	setC: number | null;
	elapsedS: number | null;
}

const ROOM_C = 21;
const POWER_W = 5200;
const ELEMENTS_J_PER_K = 2600;
const CHAMBER_J_PER_K = 33_500;
const ELEMENTS_TO_CHAMBER_W_PER_K = 14;
const CHAMBER_TO_ROOM_W_PER_K = 2.45;
const SENSOR_OFF_K = 1.5;
const NOISE_K = 0.6;
const STEP_S = 5;
const KEEP_S = 60;
const LONGEST_S = 5 * 24 * 3600;

/** Temperatures of one run, a pair [chamber, set point] every minute. */
function run(segments: readonly Segment[]): [number, number | null][] {
	let [elements, chamber, set, index, held] = [ROOM_C, ROOM_C, ROOM_C, 0, 0];
	const track: [number, number | null][] = [];
	for (let s = 0; s < LONGEST_S; s += STEP_S) {
		const segment = segments[index];
		if (s % KEEP_S === 0) track.push([chamber, segment ? set : null]);
		if (!segment && chamber < ROOM_C + 2) break;
		let power = 0;
		if (segment) {
			const away = segment.targetC - set;
			const most = segment.rateCPerH === "full" ? Number.POSITIVE_INFINITY : (segment.rateCPerH * STEP_S) / 3600;
			set += Math.sign(away) * Math.min(Math.abs(away), most);
			power = Math.min(POWER_W, Math.max(0, (set - chamber) * 900 + (chamber - ROOM_C) * CHAMBER_TO_ROOM_W_PER_K));
			if (set === segment.targetC && Math.abs(chamber - set) < 3) {
				held += STEP_S;
				if (held >= segment.holdMin * 60) {
					index++;
					held = 0;
				}
			}
		}
		const flow = (elements - chamber) * ELEMENTS_TO_CHAMBER_W_PER_K;
		elements += ((power - flow) * STEP_S) / ELEMENTS_J_PER_K;
		chamber += ((flow - (chamber - ROOM_C) * CHAMBER_TO_ROOM_W_PER_K) * STEP_S) / CHAMBER_J_PER_K;
	}
	return track;
}

const tracks = new Map<string, [number, number | null][]>();

/** What the kiln's sensor says at an instant; a kiln without a programme is as warm as its room. */
export function readStandIn(kilnId: string, program: StandInProgram | undefined, nowMs: number): StandInReading {
	if (!program) return { airC: ROOM_C + noise(kilnId, nowMs), setC: null, elapsedS: null };
	const key = `${kilnId}/${program.startedAtMs}`;
	const track = tracks.get(key) ?? run(program.segments);
	tracks.set(key, track);
	const elapsedS = Math.max(0, ((nowMs - program.startedAtMs) / 1000) * program.speedUp);
	const at = elapsedS / KEEP_S;
	const a = track[Math.min(Math.floor(at), track.length - 1)] ?? [ROOM_C, null];
	const b = track[Math.min(Math.floor(at) + 1, track.length - 1)] ?? a;
	const airC = a[0] + (b[0] - a[0]) * (at % 1);
	const off = SENSOR_OFF_K * Math.min(1, (airC - ROOM_C) / 400);
	return { airC: airC + off + noise(kilnId, nowMs), setC: a[1], elapsedS };
}

/** Repeatable noise: the same kiln at the same instant reads the same. */
function noise(kilnId: string, nowMs: number): number {
	let hash = Math.floor(nowMs / 1000) | 0;
	for (const character of kilnId) hash = Math.imul(hash ^ character.charCodeAt(0), 2_654_435_761);
	hash ^= hash >>> 15;
	return ((hash >>> 0) / 2 ** 32 - 0.5) * 2 * NOISE_K;
}
