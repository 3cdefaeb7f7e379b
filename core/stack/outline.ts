import { DENSITY_KG_PER_M3, GRAVITY_M_PER_S2, SURFACE_TENSION_N_PER_M } from "../glass/constants";

/** Contact angle of molten glass on a washed shelf, degrees. Fitted to common practice. */
const CONTACT_DEG = 120;

/**
 * Thickness (mm) a large molten puddle settles at: 2·√(γ/ρg)·sin(θ/2), the trade's "glass wants to be 6 mm".
 * Source: de Gennes, Brochard-Wyart, Quéré, *Capillarity and Wetting Phenomena*, puddles.
 */
export const PUDDLE_MM =
	2 *
	Math.sqrt(SURFACE_TENSION_N_PER_M / (DENSITY_KG_PER_M3 * GRAVITY_M_PER_S2)) *
	Math.sin((CONTACT_DEG * Math.PI) / 360) *
	1000;

/** Fitted to common practice: glass missing at the rounded edge, flow scale, slowness of wide pieces. */
export const EDGE_SHARE = 0.1;
const FLOW_SCALE = 3;
const WIDE_SCALE = 20;

export interface Footprint {
	widthMm: number;
	heightMm: number;
	/** Plan area covered by glass, mm². */
	areaMm2: number;
	/** Mean thickness over that area. */
	meanMm: number;
	/** Flow index of the firing. */
	flow: number;
}

export interface Spread {
	/** How far each edge moves outwards (negative: inwards), mm. */
	edgeMm: number;
	/** Where it would end if it were hot for ever, mm. */
	finalMm: number;
	/** Share of the way gone, 0–1. */
	share: number;
}

/**
 * How far the edge of a piece moves in a firing: an estimate, with the whole piece as one body of its mean thickness.
 * Solves e·A(δ) − 0.10·e²·p(δ) = V for the offset δ at rest, with A and p of the piece's box grown with round corners.
 */
export function spreadOf(piece: Footprint): Spread {
	const { widthMm: w, heightMm: h, areaMm2: area, meanMm } = piece;
	if (w <= 0 || h <= 0 || area <= 0) return { edgeMm: 0, finalMm: 0, share: 0 };
	const e = PUDDLE_MM;
	const fullness = area / (w * h);
	const volume = area * meanMm;
	const excess = (d: number): number => {
		const grown = d >= 0;
		const a = grown
			? area + 2 * (w + h) * d + Math.PI * d * d
			: fullness * Math.max(0, w + 2 * d) * Math.max(0, h + 2 * d);
		const p = grown ? 2 * (w + h) + 2 * Math.PI * d : 2 * (Math.max(0, w + 2 * d) + Math.max(0, h + 2 * d));
		return e * a - EDGE_SHARE * e * e * p - volume;
	};
	const leastMm = meanMm < e ? -Math.min(e - meanMm, Math.min(w, h) / 2) : -Math.min(w, h) / 2;
	const finalMm = rootOf(excess, leastMm, Math.max(w, h) + 200);
	const share = flowShare(area, piece.flow);
	return { edgeMm: share * finalMm, finalMm, share };
}

/** Where a rising function crosses zero between two bounds; a bound itself where it does not. */
function rootOf(f: (x: number) => number, low: number, high: number): number {
	if (f(low) >= 0) return low;
	let [a, b] = [low, high];
	for (let i = 0; i < 60; i++) {
		const middle = (a + b) / 2;
		if (f(middle) < 0) a = middle;
		else b = middle;
	}
	return (a + b) / 2;
}

/** Share of the way (0–1) that a piece of plan area `areaMm2` goes at a flow index: wide pieces flow more slowly. */
export function flowShare(areaMm2: number, flow: number): number {
	const width = 2 * Math.sqrt(areaMm2 / Math.PI);
	return 1 - Math.exp(-flow / (FLOW_SCALE * (1 + width / (WIDE_SCALE * PUDDLE_MM))));
}
