import { type Phrase, say } from "../units/phrase";
import { type Fitted, fitTwo } from "./least-squares";
import type { KilnLog, LogPoint } from "./log";

/** What a log taught about a kiln, with one standard error each. */
export interface Learned {
	/** Power over heat capacity, P/C, K/s: how fast it would climb without losses. NaN where never seen. */
	climbKPerS: Fitted;
	/** Loss over heat capacity, UA/C, 1/s: how fast it falls by itself. NaN where never seen. */
	coolPerS: Fitted;
	/** Rated power, W, and where it comes from; undefined where nothing gave it. */
	powerW?: number;
	powerFrom?: "plate" | "kWh";
	/** With the power also these. J/K, W/K. */
	capacityJPerK?: Fitted;
	lossWPerK?: Fitted;
	roomC: number;
	/** Stretches of the log that were used: heating at known power, and falling by itself. */
	heatingWindows: number;
	fallingWindows: number;
	/** What the log could not tell, and why. */
	unknown: Phrase[];
}

export interface LearnOptions {
	/** From the plate, W. */
	plateW?: number;
	roomC?: number;
}

/** A window is as long as gives a change well above the sensor's noise. */
const WINDOW_S = 6 * 60;
/** Readings further apart than this are a gap; nothing is concluded across it. */
const GAP_S = 5 * 60;
const LEAST_WINDOWS = 4;
/** The kiln lags this far behind its set point only at full power, and is this far above it only without any. */
const FULL_BELOW_SET_K = 8;
const OFF_ABOVE_SET_K = 4;
/** Nearer to the room than this, falling says nothing against the noise. */
const NEAR_ROOM_K = 30;

/**
 * Fits the lumped kiln C·dT/dt = u·P − UA·(T − T_room) to a log, integrated over windows so that noise is not differentiated:
 * T₂ − T₁ = (P/C)·∫u dt − (UA/C)·∫(T − T_room) dt, linear least squares. Where no duty was recorded, only stretches count
 * that must have been at full power or without any.
 */
export function learnKiln(log: KilnLog, options: LearnOptions = {}): Learned {
	const roomC = options.roomC ?? 20;
	const rows = windowsOf(log, roomC);
	const fit = fitTwo(rows.map(({ drive, height, change }) => ({ x1: drive, x2: -height, y: change })));
	const heatingWindows = rows.filter(({ drive }) => drive > 0).length;
	const fallingWindows = rows.length - heatingWindows;
	const none: Fitted = { value: Number.NaN, error: Number.NaN };
	const unknown: Phrase[] = [];
	const climb = heatingWindows >= LEAST_WINDOWS && fit ? fit.a : none;
	const cool = fallingWindows >= LEAST_WINDOWS || heatingWindows >= 3 * LEAST_WINDOWS ? (fit?.b ?? none) : none;
	if (Number.isNaN(climb.value))
		unknown.push(
			say`How fast it climbs: ${{ n: heatingWindows }} stretches at a power that is known, ${{ n: LEAST_WINDOWS }} are needed. A log with the duty, or one ramp at full power, tells it.`,
		);
	if (Number.isNaN(cool.value))
		unknown.push(
			say`How fast it falls by itself: ${{ n: fallingWindows }} stretches without power, ${{ n: LEAST_WINDOWS }} are needed. Let the log run on after the end.`,
		);
	const power = powerFrom(log, options.plateW);
	if (!power) unknown.push(say`Its power, and with it energy in kWh: neither a plate nor a kWh reading gave it.`);
	const base: Learned = { climbKPerS: climb, coolPerS: cool, roomC, heatingWindows, fallingWindows, unknown };
	if (!power || Number.isNaN(climb.value)) return base;
	const capacity = power.w / climb.value;
	const relative = climb.error / climb.value;
	const loss = cool.value * capacity;
	return {
		...base,
		powerW: power.w,
		powerFrom: power.from,
		capacityJPerK: { value: capacity, error: capacity * relative },
		...(!Number.isNaN(cool.value) && {
			lossWPerK: { value: loss, error: loss * Math.hypot(relative, cool.error / cool.value) },
		}),
	};
}

interface Window {
	/** ∫ duty dt, s. */
	drive: number;
	/** ∫ (T − room) dt, K·s. */
	height: number;
	change: number;
}

function windowsOf(log: KilnLog, roomC: number): Window[] {
	const windows: Window[] = [];
	let open: (Window & { from: LogPoint; duty: number | null; s: number }) | undefined;
	const close = () => {
		if (open && open.s >= WINDOW_S * 0.6) windows.push({ drive: open.drive, height: open.height, change: open.change });
		open = undefined;
	};
	for (let i = 1; i < log.length; i++) {
		const [a, b] = [log[i - 1] as LogPoint, log[i] as LogPoint];
		const dt = b.s - a.s;
		const duty = dutyOf(a);
		const usable = a.airC !== null && b.airC !== null && dt > 0 && dt <= GAP_S && duty !== undefined;
		const measured = a.duty !== null;
		if (!usable || (open && !measured && open.duty !== duty) || (open && (open.duty === null) !== measured)) close();
		if (!usable) continue;
		if (duty === 0 && (b.airC ?? 0) - roomC < NEAR_ROOM_K) {
			close();
			continue;
		}
		open ??= { drive: 0, height: 0, change: 0, from: a, duty: measured ? null : (duty ?? 0), s: 0 };
		open.drive += (duty ?? 0) * dt;
		open.height += (((a.airC ?? 0) + (b.airC ?? 0)) / 2 - roomC) * dt;
		open.change = (b.airC ?? 0) - (open.from.airC ?? 0);
		open.s += dt;
		if (open.s >= WINDOW_S) close();
	}
	close();
	return windows;
}

/** The duty of a line: recorded, or certain from how far the kiln is from its set point; undefined where neither. */
function dutyOf({ duty, setC, airC }: LogPoint): number | undefined {
	if (duty !== null) return duty;
	if (airC === null) return undefined;
	if (setC === null) return 0;
	if (setC - airC > FULL_BELOW_SET_K) return 1;
	return airC - setC > OFF_ABOVE_SET_K ? 0 : undefined;
}

/** Rated power: energy over the time at power where a meter ran along, else from the plate. */
function powerFrom(log: KilnLog, plateW: number | undefined): { w: number; from: "plate" | "kWh" } | undefined {
	const first = log.find(({ kwh }) => kwh !== null);
	const last = log.findLast(({ kwh }) => kwh !== null);
	const gained = (last?.kwh ?? 0) - (first?.kwh ?? 0);
	let onS = 0;
	let dutyKnown = gained > 0.5;
	for (let i = 1; i < log.length && dutyKnown; i++) {
		const [a, b] = [log[i - 1] as LogPoint, log[i] as LogPoint];
		if (first && last && (a.s < first.s || b.s > last.s)) continue;
		if (a.duty === null) dutyKnown = false;
		else onS += a.duty * (b.s - a.s);
	}
	if (dutyKnown && onS > 0) return { w: (gained * 3.6e6) / onS, from: "kWh" };
	return plateW ? { w: plateW, from: "plate" } : undefined;
}

/** Predicted against measured: how far apart, K, over the readings both have. */
export interface Misfit {
	meanK: number;
	/** Root of the mean square, K. */
	rmsK: number;
	worstK: number;
	worstAtS: number;
	count: number;
}

export function misfitOf(measured: readonly { s: number; c: number }[], predicted: (s: number) => number): Misfit {
	let [sum, squares, worstK, worstAtS, count] = [0, 0, 0, 0, 0];
	for (const { s, c } of measured) {
		const apart = c - predicted(s);
		if (!Number.isFinite(apart)) continue;
		count++;
		sum += apart;
		squares += apart * apart;
		if (Math.abs(apart) > Math.abs(worstK)) [worstK, worstAtS] = [apart, s];
	}
	return { meanK: sum / count, rmsK: Math.sqrt(squares / count), worstK, worstAtS, count };
}
