import { flowRate } from "../firing/flow-index";
import { lagStressPa } from "../firing/rates";
import { CONDUCTIVITY_W_PER_M_K, DIFFUSIVITY_M2_PER_S } from "../glass/constants";
import type { GlassFamily } from "../glass/family";
import { LOG_ETA, temperatureAt, type Viscosity, viscosityOf } from "../glass/viscosity";
import { KELVIN_AT_0C } from "../units/temperature";
import { type Face, type Slab, slabAt, spreadK, stepSlab } from "./slab";

/** How the glass takes up heat. From memory; settable. */
const EMISSIVITY = 0.9;
const AIR_W_PER_M2K = 10;
const SHELF_CONTACT_W_PER_M2K = 100;
const STEFAN_BOLTZMANN = 5.670374e-8; // CODATA
/** A 15 mm ceramic shelf, and a 12 mm mould on it: heat held per area, J/m²K. From memory. */
const SHELF_J_PER_M2K = 27_000;
const MOULD_J_PER_M2K = 24_000;

export interface LyingGlassOptions {
	family: GlassFamily;
	/** Thickest column, mm; 0 where there is none. */
	thicknessMm: number;
	startC: number;
	onMould: boolean;
	/** How much hotter each place on the shelf is than the middle, K. */
	zoneOffsetsK: readonly number[];
}

/** The thickest column of glass on its shelf: heated from the kiln above, touching the shelf below; what it feels and has become. */
export class LyingGlass {
	shelfC: number;
	/** Flow index so far, of the middle of the glass, and of it at each zone. */
	flow = 0;
	readonly zoneFlow: number[];
	/** Largest passing tension on the way up and on the way down, and what stays from when it set, Pa. */
	heatingStressPa = 0;
	coolingStressPa = 0;
	frozenStressPa = 0;
	private readonly slab: Slab;
	private readonly middle: number;
	private readonly viscosity: Viscosity;
	private readonly strainC: number;
	private readonly belowJPerM2K: number;
	private seenCoreC: number;

	constructor(private readonly options: LyingGlassOptions) {
		const { family, thicknessMm, startC, onMould } = options;
		this.viscosity = viscosityOf(family);
		this.strainC = temperatureAt(this.viscosity, LOG_ETA.strain);
		this.slab = slabAt(startC, Math.max(thicknessMm, 0.5) / 1000, CONDUCTIVITY_W_PER_M_K, DIFFUSIVITY_M2_PER_S);
		this.middle = this.slab.c.length >> 1;
		this.belowJPerM2K = SHELF_J_PER_M2K + (onMould ? MOULD_J_PER_M2K : 0);
		this.shelfC = startC;
		this.seenCoreC = startC;
		this.zoneFlow = options.zoneOffsetsK.map(() => 0);
	}

	get topC(): number {
		return this.slab.c[0] as number;
	}
	get coreC(): number {
		return this.slab.c[this.middle] as number;
	}
	/** The hottest of the glass and, on a mould, of what is under it; −Infinity without glass. */
	get hottestC(): number {
		if (this.options.thicknessMm <= 0) return Number.NEGATIVE_INFINITY;
		const bottomC = this.slab.c[this.slab.c.length - 1] as number;
		return Math.max(this.topC, this.coreC, bottomC, this.options.onMould ? this.shelfC : bottomC);
	}

	/** `dtS` seconds in a kiln that feels `kilnC` °C hot. */
	step(kilnC: number, dtS: number): void {
		const top = facing(kilnC, this.topC);
		const below = facing(kilnC, this.shelfC);
		const bottomC = this.slab.c[this.slab.c.length - 1] as number;
		this.shelfC +=
			(dtS / (this.belowJPerM2K + dtS * (below.hWPerM2K + SHELF_CONTACT_W_PER_M2K))) *
			(below.hWPerM2K * (kilnC - this.shelfC) + SHELF_CONTACT_W_PER_M2K * (bottomC - this.shelfC));
		stepSlab(this.slab, dtS, top, { hWPerM2K: SHELF_CONTACT_W_PER_M2K, c: this.shelfC });
		if (this.coreC <= this.viscosity.t0 + 150) return;
		this.flow += flowRate(this.viscosity, this.coreC) * dtS;
		for (const [i, offsetK] of this.options.zoneOffsetsK.entries())
			this.zoneFlow[i] = (this.zoneFlow[i] as number) + flowRate(this.viscosity, this.coreC + offsetK) * dtS;
	}

	/** Difference (K) through the glass now, and the tension (Pa) it means while the glass is solid; keeps the largest. */
	feel(): { spreadK: number; stressPa: number } {
		const difference = spreadK(this.slab);
		const { coreC, seenCoreC } = this;
		const solid = coreC < this.strainC && this.options.thicknessMm > 0;
		const stressPa = solid ? lagStressPa(difference, this.options.family.expansionE7PerK) : 0;
		if (coreC >= seenCoreC) this.heatingStressPa = Math.max(this.heatingStressPa, stressPa);
		else this.coolingStressPa = Math.max(this.coolingStressPa, stressPa);
		if (solid && seenCoreC >= this.strainC) this.frozenStressPa = stressPa;
		this.seenCoreC = coreC;
		return { spreadK: difference, stressPa };
	}
}

/** Radiation, linearised about the present temperatures, plus still air. */
function facing(kilnC: number, surfaceC: number): Face {
	const a = kilnC + KELVIN_AT_0C;
	const b = surfaceC + KELVIN_AT_0C;
	return { hWPerM2K: EMISSIVITY * STEFAN_BOLTZMANN * (a * a + b * b) * (a + b) + AIR_W_PER_M2K, c: kilnC };
}
