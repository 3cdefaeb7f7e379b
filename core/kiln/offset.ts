import type { Curve } from "../firing/curve";
import { flowIndex } from "../firing/flow-index";
import { type FuseLevel, LEVEL_BANDS } from "../firing/level";
import type { GlassFamily } from "../glass/family";
import { type Viscosity, viscosityOf } from "../glass/viscosity";

/** A piece that was judged, with the curve its kiln showed. */
export interface JudgedFiring {
	label: string;
	family: GlassFamily;
	/** What the kiln showed: measured where there is a record, else the plan. */
	curve: Curve;
	expected: FuseLevel;
	/** "none": nothing lasting happened. */
	judged: FuseLevel | "none";
}

/** What one judged firing says: every offset (K) from `fromK` to `toK` explains it. */
export interface OffsetEvidence {
	label: string;
	expected: FuseLevel;
	judged: FuseLevel | "none";
	/** Flow index as the kiln showed it. */
	flow: number;
	fromK: number;
	toK: number;
}

export interface OffsetProposal {
	/** What fits the evidence best, K: positive where the glass is hotter than the kiln shows. */
	bestK: number;
	/** One careful step from the present one towards it, K; equal to the present one where nothing has to change. */
	proposedK: number;
	presentK: number;
	/** Firings the present offset explains, and the proposed one. */
	agreeNow: number;
	agreeThen: number;
	evidence: OffsetEvidence[];
}

/** Bounds of the fit and of one step. Common practice, no source. */
const MOST_K = 30;
const STEP_K = 5;
/** One firing is an accident; two are the beginning of a habit. */
const LEAST_EVIDENCE = 2;

const NOTHING_TO = LEVEL_BANDS.slump.from;

/**
 * A kiln's temperature offset from judged outcomes: for each firing the interval of offsets that explains what came out, then
 * the offset that leaves the least distance to all of them, half of it and at most {@link STEP_K} at a time.
 * Undefined with too little evidence. Never applied by itself.
 */
export function proposeOffset(firings: readonly JudgedFiring[], presentK: number): OffsetProposal | undefined {
	const evidence = firings.map(evidenceOf);
	if (evidence.length < LEAST_EVIDENCE) return undefined;
	const missed = (k: number) => evidence.reduce((sum, { fromK, toK }) => sum + Math.max(0, fromK - k, k - toK), 0);
	const agree = (k: number) => evidence.filter(({ fromK, toK }) => k >= fromK && k <= toK).length;
	let bestK = presentK;
	for (let k = -MOST_K; k <= MOST_K; k += 0.5) {
		const better = missed(k) - missed(bestK);
		if (better < -1e-9 || (Math.abs(better) < 1e-9 && Math.abs(k - presentK) < Math.abs(bestK - presentK))) bestK = k;
	}
	const away = (bestK - presentK) / 2;
	const step = Math.max(-STEP_K, Math.min(STEP_K, Math.abs(away) < 0.5 ? 0 : away));
	const proposedK = Math.round((presentK + step) * 2) / 2;
	return { bestK, proposedK, presentK, agreeNow: agree(presentK), agreeThen: agree(proposedK), evidence };
}

function evidenceOf({ label, family, curve, expected, judged }: JudgedFiring): OffsetEvidence {
	const viscosity = viscosityOf(family);
	const band = judged === "none" ? { from: 0, to: NOTHING_TO } : LEVEL_BANDS[judged];
	return {
		label,
		expected,
		judged,
		flow: flowIndex(viscosity, curve),
		fromK: band.from <= 0 ? -MOST_K : offsetFor(viscosity, curve, band.from),
		toK: Number.isFinite(band.to) ? offsetFor(viscosity, curve, band.to) : MOST_K,
	};
}

/** The offset (K) at which a curve's flow index is `flow`, within the bounds; by bisection, flow grows with it. */
function offsetFor(viscosity: Viscosity, curve: Curve, flow: number): number {
	let [low, high] = [-MOST_K, MOST_K];
	const at = (k: number) =>
		flowIndex(
			viscosity,
			curve.map(({ s, c }) => ({ s, c: c + k })),
		);
	if (at(low) >= flow) return low;
	if (at(high) <= flow) return high;
	while (high - low > 0.1) {
		const middle = (low + high) / 2;
		if (at(middle) < flow) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}
