import type { Curve } from "../firing/curve";
import { flowRate } from "../firing/flow-index";
import { lagStressPa } from "../firing/rates";
import type { Schedule } from "../firing/schedule";
import { CONDUCTIVITY_W_PER_M_K, DIFFUSIVITY_M2_PER_S } from "../glass/constants";
import type { GlassFamily } from "../glass/family";
import { LOG_ETA, temperatureAt, viscosityOf } from "../glass/viscosity";
import { KELVIN_AT_0C } from "../units/temperature";
import type { KilnBody } from "./kiln";
import { type Face, slabAt, spreadK, stepSlab } from "./slab";

/** How the glass takes up heat. From memory; settable. */
const EMISSIVITY = 0.9;
const AIR_W_PER_M2K = 10;
const SHELF_CONTACT_W_PER_M2K = 100;
const STEFAN_BOLTZMANN = 5.670374e-8; // CODATA
/** A 15 mm ceramic shelf: heat held per area, J/m²K. From memory. */
const SHELF_J_PER_M2K = 27_000;

export interface SimulationInput {
	kiln: KilnBody;
	schedule: Schedule;
	family: GlassFamily;
	/** Thickest column of glass on the shelf, mm; 0 for an empty kiln. */
	thicknessMm: number;
	/** Heat capacity of shelf and load on top of the kiln's own, J/K. */
	loadJPerK?: number;
	startC?: number;
	/** Time step, s. */
	dtS?: number;
	/** The kiln counts as cool enough to open at this temperature, °C. */
	openC?: number;
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
	/** When kiln air and glass are all at or below `openC`, s. */
	openS: number;
	kwh: number;
	flow: number;
	peakStressPa: number;
	/** Heat put in − lost − stored, over heat put in: how well the energy closes. */
	energyError: number;
}

const SAMPLE_EVERY_S = 60;
const LONGEST_S = 14 * 24 * 3600;

/** Walks through a schedule: hands out the set point and waits for a kiln that cannot keep up. */
class Controller {
	setC: number;
	readonly segmentEndS: number[] = [];
	private heldS = 0;
	private arrived = false;

	constructor(
		private readonly schedule: Schedule,
		startC: number,
	) {
		this.setC = startC;
	}

	get done(): boolean {
		return this.segmentEndS.length >= this.schedule.segments.length;
	}

	/** Moves the set point on by `dtS`; returns it, or undefined when the power is to be off. */
	advance(nowS: number, dtS: number, airC: number): number | undefined {
		const segment = this.schedule.segments[this.segmentEndS.length];
		if (!segment) return undefined;
		const up = segment.targetC > this.setC;
		if (!this.arrived && this.setC !== segment.targetC) {
			if (segment.rateCPerH === "full") {
				this.setC = segment.targetC;
			} else {
				const step = (segment.rateCPerH * dtS) / 3600;
				this.setC = up ? Math.min(segment.targetC, this.setC + step) : Math.max(segment.targetC, this.setC - step);
			}
		}
		const near = Math.abs(airC - segment.targetC) <= 1;
		if (this.setC === segment.targetC && (this.arrived || near)) {
			this.arrived = true;
			if (this.heldS >= segment.holdMin * 60) {
				this.segmentEndS.push(nowS);
				this.heldS = 0;
				this.arrived = false;
			}
			this.heldS += dtS;
		}
		return this.setC;
	}
}

/**
 * A firing, second by second: the kiln as one lumped body under its controller, the thickest column of glass as a
 * one-dimensional wall radiating to the kiln above and touching the shelf below.
 * What it cannot know: uneven heat within the kiln, a door that is opened, and the colour of the glass.
 */
export function simulateFiring(input: SimulationInput): Simulation {
	const { kiln, family, thicknessMm, dtS = 10, openC = 50 } = input;
	const viscosity = viscosityOf(family);
	const strainC = temperatureAt(viscosity, LOG_ETA.strain);
	const capacity = kiln.capacityJPerK + (input.loadJPerK ?? 0);
	const startC = input.startC ?? kiln.roomC;
	const controller = new Controller(input.schedule, startC);
	const slab = slabAt(startC, Math.max(thicknessMm, 0.5) / 1000, CONDUCTIVITY_W_PER_M_K, DIFFUSIVITY_M2_PER_S);
	const middle = slab.c.length >> 1;
	const samples: SimulationSample[] = [];
	let [air, shelf, flow, joules, lost, peakStressPa, s] = [startC, startC, 0, 0, 0, 0, 0];

	const sample = (setC: number) => {
		const difference = spreadK(slab);
		const solid = (slab.c[middle] as number) < strainC;
		const stressPa = solid && thicknessMm > 0 ? lagStressPa(difference, family.expansionE7PerK) : 0;
		peakStressPa = Math.max(peakStressPa, stressPa);
		samples.push({
			s,
			setC,
			airC: air,
			topC: slab.c[0] as number,
			coreC: slab.c[middle] as number,
			shelfC: shelf,
			spreadK: difference,
			stressPa,
			flow,
			kwh: joules / 3.6e6,
		});
	};

	sample(startC);
	while (s < LONGEST_S) {
		const setC = controller.advance(s, dtS, air);
		const power = setC === undefined ? 0 : powerFor(kiln, capacity, air, setC, dtS);
		const loss = kiln.lossWPerK * (air - kiln.roomC);
		air += ((power - loss) * dtS) / capacity;
		joules += power * dtS;
		lost += loss * dtS;
		const top = facing(air, slab.c[0] as number);
		const contact = slab.c[slab.c.length - 1] as number;
		const below = facing(air, shelf);
		shelf +=
			(dtS / (SHELF_J_PER_M2K + dtS * (below.hWPerM2K + SHELF_CONTACT_W_PER_M2K))) *
			(below.hWPerM2K * (air - shelf) + SHELF_CONTACT_W_PER_M2K * (contact - shelf));
		stepSlab(slab, dtS, top, { hWPerM2K: SHELF_CONTACT_W_PER_M2K, c: shelf });
		flow += flowRate(viscosity, slab.c[middle] as number) * dtS;
		s += dtS;
		if (s % SAMPLE_EVERY_S < dtS) sample(setC ?? kiln.roomC);
		const hottest = thicknessMm > 0 ? Math.max(air, slab.c[0] as number, slab.c[middle] as number, contact) : air;
		if (controller.done && hottest <= openC) break;
		if (controller.done && openC <= kiln.roomC) break;
	}
	const stored = capacity * (air - startC);
	return {
		samples,
		segmentEndS: controller.segmentEndS,
		openS: s,
		kwh: joules / 3.6e6,
		flow,
		peakStressPa,
		energyError: joules > 0 ? (joules - lost - stored) / joules : 0,
	};
}

/** The power (W) that brings the kiln to its set point within one step, as far as it has it. */
function powerFor(kiln: KilnBody, capacity: number, airC: number, setC: number, dtS: number): number {
	const wanted = (capacity * (setC - airC)) / dtS + kiln.lossWPerK * (airC - kiln.roomC);
	return Math.min(kiln.powerW, Math.max(0, wanted));
}

/** Radiation, linearised about the present temperatures, plus still air. */
function facing(kilnC: number, surfaceC: number): Face {
	const a = kilnC + KELVIN_AT_0C;
	const b = surfaceC + KELVIN_AT_0C;
	return { hWPerM2K: EMISSIVITY * STEFAN_BOLTZMANN * (a * a + b * b) * (a + b) + AIR_W_PER_M2K, c: kilnC };
}

/** One series of a simulation as a curve. */
export const seriesOf = (simulation: Simulation, key: "setC" | "airC" | "topC" | "coreC" | "shelfC"): Curve =>
	simulation.samples.map((sample) => ({ s: sample.s, c: sample[key] }));
