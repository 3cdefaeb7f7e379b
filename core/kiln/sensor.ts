import { type Phrase, say } from "../units/phrase";
import { type KilnBody, timeConstantS } from "./kiln";

/** One reading as its sensor is judged by it. Seconds of kiln time since the start of the firing, °C. */
export interface SensorReading {
	s: number;
	/** Null where the sensor gave nothing. */
	airC: number | null;
	/** Null where the line does not say it. */
	setC: number | null;
	/** The controller says that its programme is over; null where the line does not say. */
	over: boolean | null;
}

/** What a kiln's readings are held against. */
export interface SensorModel {
	kiln: KilnBody;
	/** Heat capacity of shelf and load on top of the kiln's own, J/K. */
	loadJPerK: number;
	/** Kiln air by the plan, °C at seconds since the start; after its end as the kiln cools by itself. */
	plannedC(s: number): number;
	/** When the plan's programme ends, s. */
	plannedEndS: number;
}

/** What no kiln of this mass does: it fell or rose at once, stood still, or stayed far below what it is driven to. */
export const SENSOR_FAULTS = ["fell", "jumped", "stands", "apart"] as const;
export type SensorFault = (typeof SENSOR_FAULTS)[number];

/** A stretch in which readings are not believed; open where it goes on. Seconds of kiln time since the start. */
export interface Distrust {
	kind: SensorFault;
	fromS: number;
	toS: number | null;
	/** The last that was believed, and what was read when it was told, °C. */
	beforeC: number;
	readC: number;
}

/**
 * How fast the air of a kiln may change. It rises by at most about 1,000 K/h, and by itself it falls by a few hundred K/h at full heat
 * and a few tens below 300 °C: common practice, no source. A kiln whose model is quicker than that may be quicker by these shares.
 */
const RISE_K_PER_H = 1000;
const RISE_TIMES = 1.5;
const FALL_PER_H = 0.9;
const FALL_TIMES = 2;
/** Readings scatter and a relay swings: less than this is no jump, K. Common practice, no source. */
const SCATTER_K = 8;
/** A lone step down of more than this (K), and half as much again as the steps beside it, is none of the kiln’s: it has no such corner. */
const LONE_K = 20;
const LONE_TIMES = 1.5;
/** Steps beside it are as long, within this share. */
const LONE_SHARE = 0.5;
/** A reading is held against the one before, and against those of so long ago, s: a fault may creep. */
const LOOK_BACK_S = [120, 600, 1800];

/** Looked back on from marks so far apart, s. */
const MARK_S = 60;

/** It stands still: not more than this (K) in so long (s), while what it should do changes by so much (K). */
const STILL_K = 1.5;
const STILL_S = 2400;
const STILL_SHOULD_K = 25;
/** Cooling by itself it should change by so much (K) by a model that may be off by this share. */
const STILL_COOLING_K = 12;
const STILL_COOLING_SHARE = 0.4;

/** So far (K) below what it is driven to, for so long (s), is not lagging any more. */
const APART_K = 60;
const APART_S = 1200;
/** Nor is a kiln ever so much (K) colder than its room was written down. */
const BELOW_ROOM_K = 20;
/** A kiln may be so much before or after its plan, s. */
const PLAN_SLACK_S = 3600;
const SHIFTS_S = Array.from({ length: 13 }, (_, i) => (i / 6 - 1) * PLAN_SLACK_S);

/** It comes back to where the kiln must be within so long, s: a lid that is shut gives most of it back in a minute or two. */
const RETURNS_S = 600;
/** It agrees again within so much (K, or the share of its height above the room) for so long (s) … */
const AGREES_K = 8;
const AGREES_SHARE = 0.1;
const AGREES_S = 900;
/** … while it changed by so much (K), or is so far above the room (K): near the room everything agrees. */
const TELLS_K = 15;
const FAR_K = 100;

interface Point {
	s: number;
	c: number;
	setC: number | null;
}

/**
 * Judges the sensor of one firing, reading by reading, oldest first. After a fault it takes a return to where the kiln must be, and a
 * quarter of an hour of readings that follow the kiln's model, where that can be told.
 */
export class SensorJudge {
	readonly distrust: Distrust[] = [];
	/** The last three as they came, and marks of the last hours not nearer to each other than a minute. */
	private last: Point[] = [];
	private marks: Point[] = [];
	private apartSinceS: number | undefined;
	private believed: Point | undefined;
	private agrees: { s: number; c: number } | undefined;
	private overSinceS: number | undefined;
	private returnedS: number | undefined;
	lastS = Number.NEGATIVE_INFINITY;

	constructor(private readonly model: SensorModel) {}

	/** The fault that goes on. */
	get fault(): Distrust | undefined {
		const last = this.distrust.at(-1);
		return last?.toS === null ? last : undefined;
	}

	/** Takes the next reading in. Returns whether something changed. */
	take({ s, airC, setC, over }: SensorReading): boolean {
		if (s <= this.lastS) return false;
		this.lastS = s;
		if (over) this.overSinceS ??= s;
		else if (over === false) this.overSinceS = undefined;
		if (airC === null) return false;
		const point = { s, c: airC, setC: over ? null : setC };
		const before = this.distrust.length;
		const wasOpen = this.fault;
		if (wasOpen) this.lookForAgreement(point, wasOpen);
		else this.lookForFault(point);
		this.keep(point);
		if (!this.fault) this.believed = point;
		return this.distrust.length !== before || this.fault !== wasOpen;
	}

	private keep(point: Point): void {
		this.last = [...this.last.slice(-2), point];
		if (point.s - (this.marks.at(-1)?.s ?? Number.NEGATIVE_INFINITY) < MARK_S) return;
		this.marks.push(point);
		if (point.s - (this.marks[1]?.s ?? point.s) > STILL_S + PLAN_SLACK_S) this.marks.shift();
	}

	private lookForFault(point: Point): void {
		const found = this.faultAt(point);
		if (found) this.open(found.kind, found.from, point);
	}

	private faultAt(point: Point): { kind: SensorFault; from: Point } | undefined {
		if (point.c < this.model.kiln.roomC - BELOW_ROOM_K) return { kind: "apart", from: this.believed ?? point };
		const sudden = this.suddenly(point);
		if (sudden) return sudden;
		const lone = this.loneStep(point);
		if (lone) return { kind: "fell", from: lone };
		const still = this.standsStill(point);
		if (still) return { kind: "stands", from: still };
		const apart = this.staysApart(point);
		return apart && { kind: "apart", from: apart };
	}

	private open(kind: SensorFault, from: Point, point: Point): void {
		this.distrust.push({ kind, fromS: from.s, toS: null, beforeC: from.c, readC: point.c });
		if (from !== point) this.believed = from;
		this.agrees = undefined;
		this.returnedS = undefined;
		this.apartSinceS = undefined;
	}

	/** A change that no kiln of this mass makes, against the last reading and some before. */
	private suddenly(point: Point): { kind: "fell" | "jumped"; from: Point } | undefined {
		const before = LOOK_BACK_S.map((s) => this.marks.findLast((one) => one.s <= point.s - s));
		for (const from of [this.last.at(-1), ...before]) {
			if (!from) continue;
			const change = point.c - from.c;
			if (change > this.mostRiseK(point.s - from.s)) return { kind: "jumped", from };
			if (-change > this.mostFallK(from.c, point.s - from.s)) return { kind: "fell", from };
		}
		return undefined;
	}

	/** The reading before a step down that stands alone: of a recorder that writes seldom, a jump is not steep. */
	private loneStep(point: Point): Point | undefined {
		const [a, b, c] = this.last;
		if (!a || !b || !c) return undefined;
		const stepS = c.s - b.s;
		const alike = (s: number) => Math.abs(s - stepS) <= LONE_SHARE * stepS;
		if (!alike(b.s - a.s) || !alike(point.s - c.s)) return undefined;
		const beside = Math.max(0, a.c - b.c, c.c - point.c);
		return b.c - c.c > LONE_TIMES * beside + LONE_K ? b : undefined;
	}

	private mostRiseK(forS: number): number {
		const { kiln, loadJPerK } = this.model;
		const perS = Math.max(RISE_K_PER_H / 3600, (RISE_TIMES * kiln.powerW) / (kiln.capacityJPerK + loadJPerK));
		return perS * forS + SCATTER_K;
	}

	private mostFallK(fromC: number, forS: number): number {
		const { kiln } = this.model;
		const perS = Math.max(FALL_PER_H / 3600, FALL_TIMES / timeConstantS(kiln));
		return Math.max(0, fromC - kiln.roomC) * (1 - Math.exp(-perS * forS)) + SCATTER_K;
	}

	/** Since when it has not moved though it should have. */
	private standsStill(point: Point): Point | undefined {
		const from = this.marks.findLastIndex((one) => one.s <= point.s - STILL_S);
		const first = this.marks[from];
		if (!first) return undefined;
		if (this.marks.some(({ c }, i) => i >= from && Math.abs(c - point.c) > STILL_K)) return undefined;
		return this.shouldMove(first, point) ? first : undefined;
	}

	private shouldMove(first: Point, { s, setC }: Point): boolean {
		if (this.isOver(first.s)) {
			const { kiln } = this.model;
			const fallen = (first.c - kiln.roomC) * (1 - Math.exp((-STILL_COOLING_SHARE * (s - first.s)) / this.coolingS));
			return fallen >= STILL_COOLING_K;
		}
		if (setC !== null && first.setC !== null) return Math.abs(setC - first.setC) >= STILL_SHOULD_K;
		// Without a set point: whichever way the kiln may be before or after its plan.
		return SHIFTS_S.every(
			(by) => Math.abs(this.model.plannedC(s + by) - this.model.plannedC(first.s + by)) >= STILL_SHOULD_K,
		);
	}

	/** Since when it has stayed far below what it is driven to. */
	private staysApart(point: Point): Point | undefined {
		if (point.c >= this.atLeastC(point) - APART_K) {
			this.apartSinceS = undefined;
			return undefined;
		}
		this.apartSinceS ??= point.s;
		if (point.s - this.apartSinceS < APART_S) return undefined;
		const since = this.apartSinceS;
		return this.marks.findLast(({ s }) => s <= since) ?? point;
	}

	/** What it is driven to by its controller, or by the plan in the hour before and after. */
	private atLeastC({ s, setC }: Point): number {
		if (this.isOver(s)) return Number.NEGATIVE_INFINITY;
		const { plannedC } = this.model;
		if (setC !== null) return Math.min(setC, plannedC(s));
		return SHIFTS_S.reduce((least, by) => Math.min(least, plannedC(Math.max(0, s + by))), Number.POSITIVE_INFINITY);
	}

	/** Over by what its controller says, or by the plan where that says nothing. */
	private isOver(s: number): boolean {
		if (this.overSinceS !== undefined) return s >= this.overSinceS;
		return this.saysNothing && s > this.model.plannedEndS + PLAN_SLACK_S;
	}

	private get saysNothing(): boolean {
		return this.last.at(-1)?.setC == null;
	}

	private get coolingS(): number {
		const { kiln, loadJPerK } = this.model;
		return timeConstantS(kiln) * (1 + loadJPerK / kiln.capacityJPerK);
	}

	/** What the reading would be if the kiln went on as it was last believed. */
	private expectedC({ s, setC }: Point): number {
		if (setC !== null) return setC;
		const { kiln } = this.model;
		const { believed } = this;
		if (!believed || (!this.isOver(s) && s < this.model.plannedEndS)) return this.model.plannedC(s);
		const fromS = Math.max(believed.s, this.overSinceS ?? believed.s);
		return kiln.roomC + (believed.c - kiln.roomC) * Math.exp(-(s - fromS) / this.coolingS);
	}

	/**
	 * A sensor is believed again only where its reading came back at once to where the kiln must be, and follows it from there: a
	 * controller that drives the kiln by a wrong sensor makes that follow its set point too.
	 */
	private lookForAgreement(point: Point, fault: Distrust): void {
		const sudden = this.suddenly(point)?.kind;
		if (sudden) {
			const back = sudden === (fault.kind === "jumped" ? "fell" : "jumped");
			this.agrees = undefined;
			this.returnedS = back ? point.s : undefined;
			if (back) [this.last, this.marks] = [[], []]; // what was said before is no measure
		}
		const expected = this.expectedC(point);
		const tolerance = Math.max(AGREES_K, AGREES_SHARE * (expected - this.model.kiln.roomC));
		if (this.returnedS === undefined || Math.abs(point.c - expected) > tolerance) {
			this.agrees = undefined;
			if (point.s - (this.returnedS ?? point.s) > RETURNS_S) this.returnedS = undefined;
			return;
		}
		this.agrees ??= { s: point.s, c: point.c };
		const tells =
			Math.abs(point.c - this.agrees.c) >= TELLS_K || Math.min(point.c, this.agrees.c) - this.model.kiln.roomC >= FAR_K;
		if (point.s - this.agrees.s < AGREES_S || !tells) return;
		fault.toS = this.agrees.s;
		this.returnedS = undefined;
		this.agrees = undefined;
	}
}

/** Whether a reading of a firing is to be believed. */
export const isBelieved = (distrust: readonly Distrust[], s: number): boolean =>
	distrust.every(({ fromS, toS }) => s <= fromS || (toS !== null && s >= toS));

/** What is wrong with a sensor, and what to do. */
export function sensorSentence({ kind, beforeC, readC }: Distrust): Phrase {
	const after = say` What it says is not believed until it follows the kiln again. The glass is as hot as before: do not open. Read another thermometer.`;
	switch (kind) {
		case "fell":
			return [
				...say`Fell from ${{ c: beforeC }} to ${{ c: readC }}, faster than a shut kiln can: the lid is open, or the sensor is at fault.`,
				...after,
			];
		case "jumped":
			return [
				...say`Jumped from ${{ c: beforeC }} to ${{ c: readC }}, faster than this kiln can: the sensor is at fault.`,
				...after,
			];
		case "stands":
			return [...say`Stands at ${{ c: readC }} though the kiln should change: the sensor is at fault.`, ...after];
		case "apart":
			return [
				...say`Reads ${{ c: readC }}, far below what the kiln is driven to: the sensor is at fault, or the kiln does not heat.`,
				...after,
			];
	}
}
