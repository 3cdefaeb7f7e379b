import type { Schedule } from "@core/firing/schedule";
import { Controller } from "@core/kiln/controller";
import { ceilingC, coolingTimeS, type KilnBody } from "@core/kiln/kiln";

/** A random firing in a random kiln, and one fault of what is heard of it: for proofs. Made up; nothing of it is demo. */
export type Random = () => number;
export const between = (random: Random, low: number, high: number) => low + random() * (high - low);
export const oneOf = <T>(random: Random, all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;

export const FAULT_KINDS = [
	"none",
	"short",
	"shortNowAndThen",
	"open",
	"top",
	"reversed",
	"stands",
	"jumpsDown",
	"jumpsUp",
	"dropsDigit",
	"fallsAtOnce",
	"lidOpen",
	"otherColumn",
	"otherUnit",
	"thousandth",
	"clockAhead",
	"clockBack",
	"clockFast",
	"silent",
	"dropsOut",
	"repeats",
] as const;
export type FaultKind = (typeof FAULT_KINDS)[number];

export interface MadeFiring {
	/** The kiln as it is, and as it was written down. */
	kiln: KilnBody;
	written: KilnBody;
	schedule: Schedule;
	fault: FaultKind;
	/** When the fault begins and how long it lasts, s. */
	fromS: number;
	forS: number;
	/** Of its own kind: K, share or s. */
	size: number;
	/** A recorder with its own sensor and neither set point nor status, or a controller whose own sensor is read. */
	recorder: boolean;
	everyS: number;
}

export function makeFiring(random: Random, fault: FaultKind = oneOf(random, FAULT_KINDS)): MadeFiring {
	const powerW = between(random, 1500, 11_000);
	const lossWPerK = powerW / between(random, 1000, 1350);
	const capacityJPerK = (powerW * 3600) / between(random, 380, 900);
	const kiln = { powerW, lossWPerK, capacityJPerK, roomC: between(random, 12, 28) };
	const off = between(random, 0.75, 1.35);
	const written = { ...kiln, roomC: 20, lossWPerK: lossWPerK * off };
	const schedule = randomSchedule(random);
	const recorder = random() < 0.6;
	const isLid = fault === "lidOpen";
	return {
		kiln,
		written,
		schedule,
		fault,
		fromS: random() < 0.15 && !isLid ? 0 : between(random, 600, 26 * 3600),
		forS: isLid ? between(random, 60, 1800) : random() < 0.5 ? Number.POSITIVE_INFINITY : between(random, 60, 6 * 3600),
		size: random(),
		recorder,
		everyS: recorder ? oneOf(random, [60, 60, 120, 300, 600]) : 60,
	};
}

function randomSchedule(random: Random): Schedule {
	const peakC = between(random, 640, 830);
	const soakC = between(random, 470, 530);
	const downC = between(random, 340, 430);
	return {
		segments: [
			{
				name: "up",
				rateCPerH: between(random, 60, 250),
				targetC: between(random, 540, 630),
				holdMin: between(random, 0, 45),
			},
			{ name: "peak", rateCPerH: between(random, 120, 330), targetC: peakC, holdMin: between(random, 5, 40) },
			{ name: "drop", rateCPerH: "full", targetC: soakC, holdMin: between(random, 20, 240) },
			{ name: "down1", rateCPerH: between(random, 20, 90), targetC: downC, holdMin: 0 },
			{ name: "down2", rateCPerH: between(random, 40, 150), targetC: between(random, 60, 300), holdMin: 0 },
		],
	};
}

/** What arrives at some second of the firing, and what was true then. Times in s since the start. */
export interface Arrived {
	nowS: number;
	/** As dated by the line; null where nothing arrives. */
	atS: number | null;
	airC: number | null;
	setC: number | null;
	over: boolean | null;
	/** What nobody knows: the kiln’s bricks and glass, °C. */
	trueC: number;
}

const STEP_S = 30;
/** Nobody waits longer for a kiln than this, s. */
const LONGEST_S = 50 * 3600;

/** The firing as it goes: a lumped kiln under its controller, which believes its own sensor. */
export function* goOn(made: MadeFiring, random: Random): Generator<Arrived> {
	const { kiln, schedule, recorder, everyS } = made;
	const controller = new Controller(schedule, kiln.roomC, ceilingC(kiln));
	let trueC = kiln.roomC;
	let repeated: number | null = null;
	let coolS: number | undefined;
	for (let s = STEP_S; s < LONGEST_S && s - (coolS ?? s) < 2 * 3600; s += STEP_S) {
		const sensed = sensedC(made, s, trueC, random);
		// A recorder has a sensor of its own: what it says wrongly, the controller does not see. Without any it heats nothing.
		const seenC = recorder ? trueC : (sensed ?? Number.POSITIVE_INFINITY);
		const setC = controller.advance(s, STEP_S, seenC);
		const power = powerFor(kiln, setC, seenC, trueC);
		trueC += ((power - kiln.lossWPerK * (trueC - kiln.roomC)) * STEP_S) / kiln.capacityJPerK;
		if (controller.done && trueC < 40) coolS ??= s;
		if (s % everyS !== 0) continue;
		const noisy = sensed === null ? null : sensed + (random() - 0.5) * 2;
		const said = repeats(made, s) ? repeated : noisy;
		if (!repeats(made, s)) repeated = noisy;
		yield {
			nowS: s,
			atS: datedS(made, s),
			airC: said,
			setC: recorder ? null : (setC ?? null),
			over: recorder ? null : controller.done,
			trueC,
		};
	}
}

function powerFor(kiln: KilnBody, setC: number | undefined, seenC: number, trueC: number): number {
	if (setC === undefined) return 0;
	const wanted = (kiln.capacityJPerK * (setC - seenC)) / STEP_S + kiln.lossWPerK * (trueC - kiln.roomC);
	return Math.min(kiln.powerW, Math.max(0, wanted));
}

const isFaulty = ({ fromS, forS }: MadeFiring, s: number) => s >= fromS && s < fromS + forS;
const repeats = (made: MadeFiring, s: number) => made.fault === "repeats" && isFaulty(made, s);
const stoodAt = new WeakMap<MadeFiring, number>();

/** What the sensor, or the recorder behind it, makes of the kiln’s temperature. */
function sensedC(made: MadeFiring, s: number, c: number, random: Random): number | null {
	const { fault, kiln, size, fromS } = made;
	if (!isFaulty(made, s)) return c;
	switch (fault) {
		case "short":
			return kiln.roomC + size * 6;
		case "shortNowAndThen":
			return random() < 0.5 ? kiln.roomC + 2 : c;
		case "open":
			return null;
		case "top":
			return 1372;
		case "reversed":
			return kiln.roomC - (c - kiln.roomC) < -50 ? null : kiln.roomC - (c - kiln.roomC);
		case "stands":
			if (!stoodAt.has(made)) stoodAt.set(made, c);
			return stoodAt.get(made) as number;
		case "jumpsDown":
			return c - 30 - size * 500 < -50 ? null : c - 30 - size * 500;
		case "jumpsUp":
			return c + 30 + size * 500;
		case "dropsDigit":
			return Math.trunc(c / 10);
		case "fallsAtOnce":
			return Math.max(kiln.roomC, c - 100 - size * 650);
		case "lidOpen": {
			// Down by 100 to 300 K within a minute as long as it is wide open; common practice, no source.
			const lost = Math.min(c - kiln.roomC, (100 + size * 200) * Math.min(1, (s - fromS) / 60));
			return c - lost;
		}
		case "otherColumn":
			return kiln.roomC + 3;
		case "otherUnit":
			// Confirmed as °F, it writes °C from now on.
			return (c - 32) / 1.8;
		case "thousandth":
			return c / 1000;
		default:
			return c;
	}
}

/** What instant the line dates a reading by. */
function datedS(made: MadeFiring, s: number): number | null {
	const { fault, size, fromS } = made;
	if (!isFaulty(made, s)) return s;
	switch (fault) {
		case "clockAhead":
			return s + 60 + size * 86_400;
		case "clockBack":
			return s - 60 - size * 86_400;
		case "clockFast":
			return fromS + (s - fromS) * (1 + 3 * size);
		case "silent":
			return null;
		case "dropsOut":
			return Math.floor(s / 600) % 3 === 0 ? s : null;
		default:
			return s;
	}
}

/** "Open not before", s, as the house predicts it: by the plan until it is over, then from the last that was believed. */
export function openS(
	made: MadeFiring,
	plannedEndS: number,
	endC: number,
	believed: { s: number; c: number } | undefined,
	openC: number,
): number {
	const { written } = made;
	if (!believed || believed.s < plannedEndS) return plannedEndS + coolingTimeS(written, endC, openC);
	return believed.s + coolingTimeS(written, believed.c, openC);
}
