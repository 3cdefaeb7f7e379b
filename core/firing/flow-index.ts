import { SURFACE_TENSION_N_PER_M } from "../glass/constants";
import { logEta, type Viscosity } from "../glass/viscosity";
import type { Curve, CurvePoint } from "./curve";

/** Length over which the flow is counted: one single sheet, m. A convention of this product. */
const FLOW_LENGTH_M = 0.003;
/** Largest temperature step of the integration, K: keeps Simpson's rule within 0.01 % on a straight ramp. */
const STEP_K = 4;

/** Flow per second, 1/s, at `c` °C: surface tension over viscosity times length. */
export const flowRate = (v: Viscosity, c: number): number =>
	SURFACE_TENSION_N_PER_M / (10 ** logEta(v, c) * FLOW_LENGTH_M);

/**
 * Flow index Φ = ∫ γ/(η(T(t))·L) dt over the whole curve, dimensionless: one number for "how far did the heat take it".
 * Works alike for a plan, a simulation or a measured log. Simpson's rule on each straight stretch.
 */
export function flowIndex(v: Viscosity, curve: Curve): number {
	let sum = 0;
	for (let i = 1; i < curve.length; i++) sum += stretch(v, curve[i - 1] as CurvePoint, curve[i] as CurvePoint);
	return sum;
}

function stretch(v: Viscosity, from: CurvePoint, to: CurvePoint): number {
	const seconds = to.s - from.s;
	if (seconds <= 0 || Math.max(from.c, to.c) < v.t0 + 150) return 0;
	const pieces = Math.max(1, Math.ceil(Math.abs(to.c - from.c) / STEP_K));
	let sum = 0;
	for (let i = 0; i < pieces; i++) {
		const low = from.c + ((to.c - from.c) * i) / pieces;
		const high = from.c + ((to.c - from.c) * (i + 1)) / pieces;
		sum += flowRate(v, low) + 4 * flowRate(v, (low + high) / 2) + flowRate(v, high);
	}
	return (sum * seconds) / pieces / 6;
}
