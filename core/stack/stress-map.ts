import { LAST_COOL_CAP_C_PER_H } from "../firing/build";
import { lagStressPa, slabLagK } from "../firing/rates";
import { UNKNOWN_KILN_DROP_C_PER_H } from "../firing/schedule";
import { DIFFUSIVITY_M2_PER_S, POISSON, YOUNG_PA } from "../glass/constants";
import type { Column } from "./columns";
import type { Lain } from "./lay";

/** Where unevenness stresses a piece while it cools, and how the soak evens it out. */
export interface StressMap {
	/** Passing tension of each patch in the fastest stage of cooling, MPa; in the order of the patches. */
	mpa: number[];
	/** The patch that is stressed most, and the heights that meet there, mm; undefined without glass. */
	worst: { patch: number; mpa: number; thickMm: number; thinMm: number } | undefined;
	/** How the soak evens out the largest step; undefined where there is none. */
	evening: Evening | undefined;
}

export interface Evening {
	/** How far its two heights differ in temperature when the soak begins, K. */
	startK: number;
	/** Until they differ by no more than {@link EVEN_K}, min. */
	evenAfterMin: number;
	/** The whole soak, min. */
	soakMin: number;
}

/** Heights that differ by less are even, K. Common practice, no source. */
export const EVEN_K = 0.5;

export interface Cooling {
	/** The first stage below the soak, °C/h. */
	coolCPerH: number;
	soakMin: number;
	/** Of the family, 10⁻⁷/K. */
	expansionE7PerK: number;
}

type Patch = Pick<Column<Lain>, "box"> & { mm: number };

/** Below the soak the rate is raised twice, to this many times the first. Common practice, no source. */
const FASTEST = 6;
/** Patches whose boxes come nearer than this share an edge, mm. */
const NEIGHBOURS_MM = 0.1;

/**
 * Tension through each patch, and between it and the neighbour it differs from most. The mean of a slab cooled from one face lags
 * it by R·d²/3κ; what two such patches differ by is shared between them as their stiffness asks. An estimate for drawings.
 * Sources: Carslaw & Jaeger, *Conduction of Heat in Solids*; Timoshenko & Goodier, *Theory of Elasticity*.
 */
export function stressMap(patches: readonly Patch[], cooling: Cooling): StressMap {
	const rate = Math.min(LAST_COOL_CAP_C_PER_H, FASTEST * cooling.coolCPerH);
	const { expansionE7PerK: expansion } = cooling;
	const neighbours = neighboursOf(patches);
	const others = patches.map(({ mm }, i) => furthestFrom(mm, neighbours[i] ?? [], patches));
	const mpa = patches.map(
		({ mm }, i) => (lagStressPa(slabLagK(rate, mm), expansion) + misfitPa(mm, others[i] ?? mm, rate, expansion)) / 1e6,
	);
	const most = mpa.reduce((best, one, i) => (one > (mpa[best] ?? 0) ? i : best), 0);
	const [own, other] = [patches[most]?.mm, others[most]];
	const worst =
		own === undefined || other === undefined
			? undefined
			: { patch: most, mpa: mpa[most] ?? 0, thickMm: Math.max(own, other), thinMm: Math.min(own, other) };
	return { mpa, worst, evening: eveningOf(patches, others, cooling.soakMin) };
}

/** For each patch those that share an edge with it: a sweep from left to right over their boxes. */
function neighboursOf(patches: readonly Patch[]): number[][] {
	const order = patches.map((_, i) => i).sort((a, b) => left(patches, a) - left(patches, b));
	const found = patches.map((): number[] => []);
	order.forEach((i, at) => {
		const box = patches[i]?.box;
		for (let k = at + 1; box && k < order.length; k++) {
			const j = order[k] as number;
			const other = (patches[j] as Patch).box;
			if (other.minX > box.maxX + NEIGHBOURS_MM) break;
			if (other.minY > box.maxY + NEIGHBOURS_MM || box.minY > other.maxY + NEIGHBOURS_MM) continue;
			found[i]?.push(j);
			found[j]?.push(i);
		}
	});
	return found;
}

const left = (patches: readonly Patch[], i: number): number => patches[i]?.box.minX ?? 0;

/** The thickness (mm) among some patches that differs most from one; its own where there is none. */
const furthestFrom = (mm: number, among: readonly number[], patches: readonly Patch[]): number =>
	among.reduce((far, i) => {
		const other = patches[i]?.mm ?? mm;
		return meanLagK(1, Math.max(mm, other)) - meanLagK(1, Math.min(mm, other)) >
			meanLagK(1, Math.max(mm, far)) - meanLagK(1, Math.min(mm, far))
			? other
			: far;
	}, mm);

/** How far (K) the mean of a slab lags its cooled face: R·d²/3κ. */
const meanLagK = (rateCPerH: number, mm: number): number =>
	((rateCPerH / 3600) * (mm / 1000) ** 2) / (3 * DIFFUSIVITY_M2_PER_S);

/** What a patch bears for differing from its neighbour: the thinner one more, for it is less stiff. */
function misfitPa(mm: number, otherMm: number, rateCPerH: number, expansionE7PerK: number): number {
	const differsK = Math.abs(meanLagK(rateCPerH, mm) - meanLagK(rateCPerH, otherMm));
	const share = otherMm / (mm + otherMm || 1);
	return (YOUNG_PA * expansionE7PerK * 1e-7 * differsK * share) / (1 - POISSON);
}

/** The largest step as the drop to the soak leaves it, and how it fades: by the slowest mode of a slab held at one face. */
function eveningOf(patches: readonly Patch[], others: readonly number[], soakMin: number): Evening | undefined {
	const steps = patches.map(({ mm }, i) => [Math.max(mm, others[i] ?? mm), Math.min(mm, others[i] ?? mm)] as const);
	const [thick, thin] = steps.reduce<readonly [number, number]>(
		(a, b) => (b[0] ** 2 - b[1] ** 2 > a[0] ** 2 - a[1] ** 2 ? b : a),
		[0, 0],
	);
	const startK = meanLagK(UNKNOWN_KILN_DROP_C_PER_H, thick) - meanLagK(UNKNOWN_KILN_DROP_C_PER_H, thin);
	if (startK <= 0) return undefined;
	const perS = (Math.PI ** 2 * DIFFUSIVITY_M2_PER_S) / (4 * (thick / 1000) ** 2);
	return { startK, evenAfterMin: Math.max(0, Math.log(startK / EVEN_K) / perS / 60), soakMin };
}
