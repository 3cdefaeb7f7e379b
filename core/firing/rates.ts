import { ALLOWED_TENSION_PA, DIFFUSIVITY_M2_PER_S, POISSON, YOUNG_PA } from "../glass/constants";

/** Allowed difference through the glass while it cools, K. Common practice, no source. */
export const COOLING_LAG_K = 2.5;

/**
 * Difference (K) between the faces of a slab `dMm` thick, heated or cooled from one face at a steady rate: R·d²/2κ.
 * Source: Carslaw & Jaeger, *Conduction of Heat in Solids*, linearly changing surface temperature.
 */
export function slabLagK(rateCPerH: number, dMm: number): number {
	return ((rateCPerH / 3600) * (dMm / 1000) ** 2) / (2 * DIFFUSIVITY_M2_PER_S);
}

/** The rate (°C/h) at which a slab `dMm` thick lags by `lagK`: the inverse of {@link slabLagK}. */
export const rateForLag = (lagK: number, dMm: number): number =>
	((2 * DIFFUSIVITY_M2_PER_S * lagK) / (dMm / 1000) ** 2) * 3600;

/**
 * Tension (Pa) at the cooled face for a parabolic profile whose faces differ by `lagK`: σ = ⅔·E·α·ΔT/(1 − ν), bending held
 * back by the shelf (the safe side; free to bend it is far less).
 * Source: Timoshenko & Goodier, *Theory of Elasticity*, thermal stress in a plate.
 */
export function lagStressPa(lagK: number, expansionE7PerK: number): number {
	return ((2 / 3) * YOUNG_PA * expansionE7PerK * 1e-7 * lagK) / (1 - POISSON);
}

/** Share of the allowed tension that a lag uses, 1 = all of it. */
export const stressShare = (lagK: number, expansionE7PerK: number): number =>
	lagStressPa(lagK, expansionE7PerK) / ALLOWED_TENSION_PA;
