import { type Curve, temperatureOf } from "../firing/curve";
import type { Schedule } from "../firing/schedule";
import { ALLOWED_TENSION_PA } from "../glass/constants";
import type { GlassFamily } from "../glass/family";
import { Controller, type ControllerState } from "./controller";
import { ceilingC, feltC, type KilnBody } from "./kiln";
import { LyingGlass } from "./lying-glass";

/** A firing under way: what was measured, and where the controller is at its end. */
export interface SoFar {
	/** Measured kiln air against seconds since the start; its last point is now. */
	air: Curve;
	controller: ControllerState;
}

export interface SimulationInput {
	kiln: KilnBody;
	schedule: Schedule;
	family: GlassFamily;
	/** Thickest column of glass on the shelf, mm; 0 for an empty kiln. */
	thicknessMm: number;
	/** Heat capacity of shelf and load on top of the kiln's own, J/K. */
	loadJPerK?: number;
	/** The glass lies on a mould: it follows later. */
	onMould?: boolean;
	/** Places on the shelf and how much hotter (K) each is than the middle. */
	zones?: readonly { name: string; offsetK: number }[];
	startC?: number;
	/** Time step, s. */
	dtS?: number;
	/** So often a sample is kept, and tension felt for, s; Infinity: where only the hours are asked for. */
	sampleEveryS?: number;
	/** The kiln counts as cool enough to open at this temperature, °C. */
	openC?: number;
	soFar?: SoFar;
}

export interface SimulationSample {
	s: number;
	setC: number;
	airC: number;
	topC: number;
	coreC: number;
	shelfC: number;
	/** Hottest minus coldest place in the glass, K. */
	spreadK: number;
	/** Passing tension from that difference while the glass is solid, Pa; 0 above the strain point. */
	stressPa: number;
	/** Flow index so far, from the temperature of the glass's middle. */
	flow: number;
	/** Energy so far, kWh. */
	kwh: number;
}

export interface Simulation {
	samples: SimulationSample[];
	/** End of each segment, s, in the schedule's order. */
	segmentEndS: number[];
	/** When kiln air, glass and what it lies on are all at or below `openC`, s. */
	openS: number;
	/** When the controller is done, s. */
	endS: number;
	/** The segment whose target this kiln can never reach; the firing is drawn up to there. */
	stuckAt?: number;
	kwh: number;
	flow: number;
	/** Flow index at each zone, in the order given. */
	zoneFlow: number[];
	peakStressPa: number;
	/** Largest passing tension on the way up and on the way down, Pa. */
	heatingStressPa: number;
	coolingStressPa: number;
	/** Stress that stays: from the difference the glass has when it sets, Pa. */
	frozenStressPa: number;
	/** Allowed tension over the largest on the way up; under 1 the cold glass may crack. Infinity where nothing heats. */
	shockMargin: number;
	/** Heat put in − lost − stored, over heat put in: how well the energy closes. */
	energyError: number;
}

const SAMPLE_EVERY_S = 60;
const LONGEST_S = 14 * 24 * 3600;

/**
 * A firing, second by second: the kiln as one lumped body under its controller, the thickest column of glass as a
 * one-dimensional wall radiating to the kiln above and touching the shelf below. With `soFar` the glass follows what was
 * measured up to now, and only the rest is predicted.
 * What it cannot know: uneven heat beyond the zones, a door that is opened, and the colour of the glass.
 */
export function simulateFiring(input: SimulationInput): Simulation {
	const { kiln, thicknessMm, dtS = 10, openC = 50, soFar, zones = [], sampleEveryS = SAMPLE_EVERY_S } = input;
	const capacity = kiln.capacityJPerK + (input.loadJPerK ?? 0);
	const startC = soFar?.air[0]?.c ?? input.startC ?? kiln.roomC;
	const controller = new Controller(input.schedule, startC, ceilingC(kiln));
	const glass = new LyingGlass({
		family: input.family,
		thicknessMm,
		startC,
		onMould: input.onMould ?? false,
		zoneOffsetsK: zones.map(({ offsetK }) => offsetK),
	});
	const samples: SimulationSample[] = [];
	let [air, joules, lost, endS, openS, s] = [startC, 0, 0, 0, 0, 0];
	const sample = (setC: number) =>
		samples.push({
			s,
			setC,
			airC: air,
			topC: glass.topC,
			coreC: glass.coreC,
			shelfC: glass.shelfC,
			...glass.feel(),
			flow: glass.flow,
			kwh: joules / 3.6e6,
		});
	const stepOn = (setC: number) => {
		glass.step(feltC(kiln, air), dtS);
		s += dtS;
		if (s % sampleEveryS < dtS) sample(setC);
	};

	const isCool = () => Math.max(air, glass.hottestC) <= openC;

	sample(startC);
	if (soFar) {
		const coolSinceS = follow(soFar.air, dtS, (measuredC) => {
			air = measuredC;
			stepOn(measuredC);
			return isCool();
		});
		controller.resume(soFar.controller, s);
		// Done and measured cool: it may be opened since then, not one step after now.
		if (controller.done) openS = coolSinceS ?? 0;
	}
	const predictedFromC = air;
	while (openS === 0 && s < LONGEST_S) {
		const setC = controller.advance(s, dtS, air);
		const power = setC === undefined ? 0 : powerFor(kiln, capacity, air, setC, dtS);
		const loss = kiln.lossWPerK * (air - kiln.roomC);
		air += ((power - loss) * dtS) / capacity;
		joules += power * dtS;
		lost += loss * dtS;
		stepOn(setC ?? kiln.roomC);
		if (!controller.done) continue;
		if (endS === 0) endS = s;
		if (isCool() || openC <= kiln.roomC) break;
	}
	const { flow, zoneFlow, heatingStressPa, coolingStressPa, frozenStressPa } = glass;
	const stored = capacity * (air - predictedFromC);
	return {
		samples,
		segmentEndS: controller.segmentEndS,
		openS: openS || s,
		endS: endS || s,
		...(controller.stuckAt !== undefined && { stuckAt: controller.stuckAt }),
		kwh: joules / 3.6e6,
		flow,
		zoneFlow,
		peakStressPa: Math.max(heatingStressPa, coolingStressPa),
		heatingStressPa,
		coolingStressPa,
		frozenStressPa,
		shockMargin: heatingStressPa > 0 ? ALLOWED_TENSION_PA / heatingStressPa : Number.POSITIVE_INFINITY,
		energyError: joules > 0 ? (joules - lost - stored) / joules : 0,
	};
}

/** Steps through what was measured. Returns since when (s) all of it has been cool; undefined where it is not. */
function follow(air: Curve, dtS: number, step: (airC: number) => boolean): number | undefined {
	const nowS = air.at(-1)?.s ?? 0;
	let sinceS: number | undefined;
	for (let s = dtS; s - dtS < nowS; s += dtS) sinceS = step(temperatureOf(air, s)) ? (sinceS ?? s) : undefined;
	return sinceS;
}

/** The power (W) that brings the kiln to its set point within one step, as far as it has it. */
function powerFor(kiln: KilnBody, capacity: number, airC: number, setC: number, dtS: number): number {
	const wanted = (capacity * (setC - airC)) / dtS + kiln.lossWPerK * (airC - kiln.roomC);
	return Math.min(kiln.powerW, Math.max(0, wanted));
}

/** One series of a simulation as a curve. */
export const seriesOf = (simulation: Simulation, key: "setC" | "airC" | "topC" | "coreC" | "shelfC"): Curve =>
	simulation.samples.map((sample) => ({ s: sample.s, c: sample[key] }));
