import type { GlassFamily } from "./family";

/** log₁₀ η(Pa·s) = a + b/(T − t0), T in °C. Vogel–Fulcher–Tammann. */
export interface Viscosity {
	a: number;
	b: number;
	t0: number;
}

/** log₁₀ viscosity (Pa·s) at the fixed points. Source: ISO 7884-1. */
export const LOG_ETA = { strain: 13.5, annealing: 12, softening: 6.6, working: 3 } as const;

/** Log viscosity at which air still leaves between two sheets that have begun to sag. Common practice, no source. */
export const LOG_ETA_BUBBLE = 6.9;

/**
 * The curve through a family's annealing, softening and working points (°C), in closed form.
 * Source: ISO 7884-1 fixed points; Vogel–Fulcher–Tammann equation.
 */
export function viscosityOf(family: Pick<GlassFamily, "annealingC" | "softeningC" | "workingC">): Viscosity {
	const { annealingC: t1, softeningC: t2, workingC: t3 } = family;
	const { annealing: l1, softening: l2, working: l3 } = LOG_ETA;
	const r = (t2 - t1) / (t3 - t2);
	const k = (l1 - l2) / (l2 - l3);
	const t0 = (r * t3 - k * t1) / (r - k);
	const b = (l1 - l2) / (1 / (t1 - t0) - 1 / (t2 - t0));
	return { a: l1 - b / (t1 - t0), b, t0 };
}

/** log₁₀ η in Pa·s at `c` °C; Infinity at and below t0, where the equation has no meaning. */
export const logEta = (v: Viscosity, c: number): number =>
	c <= v.t0 ? Number.POSITIVE_INFINITY : v.a + v.b / (c - v.t0);

/** The temperature (°C) at which log₁₀ η (Pa·s) is `target`. */
export const temperatureAt = (v: Viscosity, target: number): number => v.t0 + v.b / (target - v.a);
