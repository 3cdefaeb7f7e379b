/** A face in touch with something: heat passes at `hWPerM2K` (W/m²K) towards `c` (°C). 0 is an insulated face. */
export interface Face {
	hWPerM2K: number;
	c: number;
}

/** One-dimensional glass: `c[0]` is the top node, the last the bottom. Half cells at both faces. */
export interface Slab {
	c: Float64Array;
	thicknessM: number;
	conductivity: number;
	diffusivity: number;
}

/** @param nodes at least 3; 21 or more for a trustworthy profile. */
export function slabAt(c: number, thicknessM: number, conductivity: number, diffusivity: number, nodes = 21): Slab {
	return { c: new Float64Array(nodes).fill(c), thicknessM, conductivity, diffusivity };
}

const scratch = { upper: new Float64Array(0), right: new Float64Array(0) };

/**
 * One implicit step of `dtS` seconds, in place: backward Euler, tridiagonal (Thomas) solve, unconditionally stable.
 * Source: Incropera & DeWitt, *Fundamentals of Heat and Mass Transfer*, finite-difference form of the transient wall.
 */
export function stepSlab(slab: Slab, dtS: number, top: Face, bottom: Face): void {
	const { c, thicknessM, conductivity, diffusivity } = slab;
	const n = c.length;
	if (scratch.upper.length < n) {
		scratch.upper = new Float64Array(n);
		scratch.right = new Float64Array(n);
	}
	const { upper, right } = scratch;
	const dx = thicknessM / (n - 1);
	const fourier = (diffusivity * dtS) / (dx * dx);
	const biotTop = (top.hWPerM2K * dx) / conductivity;
	const biotBottom = (bottom.hWPerM2K * dx) / conductivity;
	let diagonal = 1 + 2 * fourier * (1 + biotTop);
	upper[0] = (-2 * fourier) / diagonal;
	right[0] = ((c[0] as number) + 2 * fourier * biotTop * top.c) / diagonal;
	for (let i = 1; i < n; i++) {
		const last = i === n - 1;
		const lower = last ? -2 * fourier : -fourier;
		const source = last ? (c[i] as number) + 2 * fourier * biotBottom * bottom.c : (c[i] as number);
		diagonal = 1 + 2 * fourier * (last ? 1 + biotBottom : 1) - lower * (upper[i - 1] as number);
		upper[i] = -fourier / diagonal;
		right[i] = (source - lower * (right[i - 1] as number)) / diagonal;
	}
	c[n - 1] = right[n - 1] as number;
	for (let i = n - 2; i >= 0; i--) c[i] = (right[i] as number) - (upper[i] as number) * (c[i + 1] as number);
}

/** Difference between the hottest and the coldest node, K. */
export function spreadK(slab: Slab): number {
	let low = Number.POSITIVE_INFINITY;
	let high = Number.NEGATIVE_INFINITY;
	for (const value of slab.c) {
		if (value < low) low = value;
		if (value > high) high = value;
	}
	return high - low;
}
