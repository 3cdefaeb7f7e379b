import { OPEN_C } from "@core/firing/build";
import { mayOpen } from "@core/firing/may-open";
import { plannedAirC } from "@core/firing/planned-air";
import { curveOf } from "@core/firing/schedule";
import { heatOf } from "@core/kiln/heat";
import { DEFAULT_KILN, type KilnBody } from "@core/kiln/kiln";
import { SensorJudge, type SensorReading } from "@core/kiln/sensor";
import { RECORDER_SILENT_S, SILENT_S } from "@core/kiln/watch";
import { seededRandom } from "@core/seeded-random";
import { describe, expect, it } from "vitest";
import { FAULT_KINDS, goOn, type MadeFiring, makeFiring, openS } from "../support/made-firing";
import { cases } from "../support/thorough";

/** A clock may be so much ahead before its readings are left out, s: as the book keeps them. */
const AHEAD_S = 120;
/** A sensor that is off by less than scatter is not told from a good one: so much above the limit is not counted, K. */
const SLACK_K = 10;

interface Watched {
	/** The hottest the kiln truly was when it was said that it may be opened; undefined where that was never said. */
	openedAtC: number | undefined;
	firstS: number | undefined;
	faults: string[];
}

/** The last reading that was believed: what the house predicts the rest from. */
class LastBelieved {
	point: { s: number; c: number } | undefined;

	constructor(private readonly judge: SensorJudge) {}

	take({ atS, airC }: { atS: number; airC: number | null }): void {
		const { fault } = this.judge;
		if (fault) this.point = { s: fault.fromS, c: fault.beforeC };
		else if (airC !== null) this.point = { s: atS, c: airC };
	}
}

function watch(made: MadeFiring, seed: number): Watched {
	const { written, schedule, recorder } = made;
	const plan = curveOf(schedule, written);
	const end = plan.at(-1) ?? { s: 0, c: 20 };
	const samples = Array.from({ length: 51 * 60 }, (_, i) => plannedAirC(schedule, written, i * 60));
	const plannedC = (s: number) => samples[Math.min(samples.length - 1, Math.max(0, Math.round(s / 60)))] as number;
	const judge = new SensorJudge({ kiln: written, loadJPerK: 0, plannedC, plannedEndS: end.s });
	let last: { atS: number; airC: number | null } | undefined;
	let overS: number | undefined;
	const seen: Watched = { openedAtC: undefined, firstS: undefined, faults: [] };
	const believed = new LastBelieved(judge);
	for (const { nowS, atS, airC, setC, over, trueC } of goOn(made, seededRandom(seed))) {
		if (atS !== null && atS <= nowS + AHEAD_S && atS > (last?.atS ?? -1)) {
			last = { atS, airC };
			judge.take({ s: atS, airC, setC, over });
			believed.take(last);
			if (over) overS ??= atS;
		}
		const endS = recorder ? end.s : (overS ?? Number.POSITIVE_INFINITY);
		const heat = heatOf({
			nowMs: nowS * 1000,
			lineLimitS: recorder ? RECORDER_SILENT_S : SILENT_S,
			reading: last && { atMs: last.atS * 1000, airC: last.airC, ofThis: true },
			looked: undefined,
			unconfirmed: false,
			fault: judge.fault?.kind,
			plannedC: plannedC(nowS),
		});
		const { may } = mayOpen(openS(made, endS, end.c, believed.point, OPEN_C) * 1000, heat, nowS * 1000);
		if (!may) continue;
		seen.firstS ??= nowS;
		seen.openedAtC = Math.max(seen.openedAtC ?? 0, trueC);
	}
	seen.faults = judge.distrust.map(({ kind }) => kind);
	return seen;
}

describe("one fault of a sensor, a recorder, a clock or a line, drawn at random", () => {
	it.each(FAULT_KINDS)(
		"never opens a hot kiln: %s",
		(kind) => {
			const hot: string[] = [];
			const each = cases(Math.ceil(10_500 / FAULT_KINDS.length), 12);
			for (let i = 0; i < each; i++) {
				const seed = 1000 * FAULT_KINDS.indexOf(kind) + i + 1;
				const made = makeFiring(seededRandom(seed), kind);
				const { openedAtC, firstS } = watch(made, seed);
				if (openedAtC !== undefined && openedAtC > OPEN_C + SLACK_K)
					hot.push(`${seed}: ${openedAtC.toFixed(0)} °C after ${((firstS ?? 0) / 3600).toFixed(1)} h`);
			}
			expect(hot).toEqual([]);
		},
		600_000,
	);

	it("and without a fault every kiln is opened, by readings alone, without one being called faulty", () => {
		const wrong: string[] = [];
		for (let seed = 1; seed <= cases(500, 40); seed++) {
			const { openedAtC, faults } = watch(makeFiring(seededRandom(seed), "none"), seed);
			if (openedAtC === undefined || faults.length > 0) wrong.push(`${seed}: ${faults.join()} ${openedAtC}`);
		}
		expect(wrong).toEqual([]);
	}, 600_000);
});

/** Readings of a kiln that cools by itself from 369 °C after its programme, one a minute: what the second review simulated. */
const kiln: KilnBody = DEFAULT_KILN;
const cooling = (fromC: number, minutes: number, fromMin = 0): SensorReading[] =>
	Array.from({ length: minutes }, (_, i) => ({
		s: (fromMin + i) * 60,
		airC: kiln.roomC + (fromC - kiln.roomC) * Math.exp((-i * 60 * kiln.lossWPerK) / kiln.capacityJPerK),
		setC: null,
		over: true,
	}));
const heard = (readings: readonly SensorReading[], plannedC: (s: number) => number = () => 20) => {
	const judge = new SensorJudge({ kiln, loadJPerK: 0, plannedC, plannedEndS: 0 });
	for (const one of readings) judge.take(one);
	return judge;
};
const but = (
	readings: readonly SensorReading[],
	from: number,
	airC: number | ((i: number) => number),
	n = readings.length,
) =>
	readings.map((one, i) =>
		i >= from && i < from + n ? { ...one, airC: typeof airC === "number" ? airC : airC(i - from) } : one,
	);

describe("a sensor is at fault", () => {
	const good = cooling(369, 400);
	it.each([
		["a short after the end: from 369 °C to the room's in a minute", but(good, 5, 25), "fell"],
		["750 K in ten seconds", [...cooling(790, 5), { s: 250, airC: 40, setC: null, over: true }], "fell"],
		["a jump up", but(good, 5, 700), "jumped"],
		["it creeps down twice as fast as a kiln can", but(good, 5, (i) => 350 - i * 14), "fell"],
		["it stands while the kiln cools", but(good, 5, good[5]?.airC ?? 0), "stands"],
	] as const)("%s", (_, readings, kind) => expect(heard(readings).fault?.kind).toBe(kind));

	it("it stands still for an hour in a ramp, with a set point and without", () => {
		const ramp = (withSet: boolean) =>
			Array.from({ length: 120 }, (_, i) => ({
				s: i * 60,
				airC: i < 30 ? 20 + i * 3 : 110,
				setC: withSet ? 20 + i * 3 : null,
				over: withSet ? false : null,
			}));
		const plan = (s: number) => 20 + Math.max(0, s) / 20;
		expect(heard(ramp(true), plan).fault?.kind).toMatch(/stands|apart/);
		const judge = new SensorJudge({ kiln, loadJPerK: 0, plannedC: plan, plannedEndS: 1e6 });
		for (const one of ramp(false)) judge.take(one);
		expect(judge.fault?.kind).toMatch(/stands|apart/);
	});

	it("until it follows the kiln again for a quarter of an hour where that can be told", () => {
		const back = heard(but(good, 5, 25, 40));
		expect(back.fault).toBeUndefined();
		expect(back.distrust).toMatchObject([{ kind: "fell", fromS: 240, toS: 45 * 60 }]);
		// Near the room everything agrees: a sensor that comes back there is not believed by itself.
		expect(heard(but(cooling(90, 1500), 5, 25, 1400)).fault?.kind).toBe("fell");
	});

	it("a lid opened wide takes the reading down and gives it back: not cool, and no fault for good", () => {
		const lid = but(good, 20, (i) => 300 - Math.min(200, i * 150), 4);
		const open = heard(lid.slice(0, 23));
		expect(open.fault?.kind).toBe("fell");
		expect(heard(lid).fault).toBeUndefined();
	});

	it("not where a kiln is slow, is held, waits after a power cut, or cools by itself", () => {
		expect(heard(good).distrust).toEqual([]);
		const held = Array.from({ length: 300 }, (_, i) => ({ s: i * 60, airC: 510, setC: 510, over: false }));
		expect(heard(held, () => 510).distrust).toEqual([]);
	});
});
