import type { Severity } from "../advice";
import { LEVEL_BANDS } from "../firing/level";
import { lagStressPa, rateForLag, slabLagK } from "../firing/rates";
import { WARM_UP_LAG_K } from "../firing/schools";
import { ALLOWED_TENSION_PA } from "../glass/constants";
import type { GlassFamily } from "../glass/family";
import { LOG_ETA, temperatureAt, viscosityOf } from "../glass/viscosity";
import { type Phrase, say } from "../units/phrase";

/** A power cut as it was seen: last reading before, coldest since, first reading after. */
export interface PowerCut {
	beforeC: number;
	coldestC: number;
	nowC: number;
	/** How long nothing held the kiln, min. */
	minutes: number;
	/** Flow index when the power went. */
	flow: number;
	/** Thickness to anneal as, mm. */
	effectiveMm: number;
}

export interface CutVerdict {
	severity: Severity;
	/** How cold it got and what that did. */
	happened: Phrase;
	/** What the glass can still bear. */
	next: Phrase;
	/** The fastest it may be heated now, °C/h; null where it is soft and rate does not matter. */
	heatAtMostCPerH: number | null;
}

/** Already fused glass starts slower. Common practice, no source. */
const REFIRED_SHARE = 0.75;

/** What a power cut did to the glass, heated again by the cautious school: it may hold stress already. It resumes nothing: it says what somebody at the kiln may do. */
export function afterPowerCut(cut: PowerCut, family: GlassFamily): CutVerdict {
	const { beforeC, coldestC, nowC, minutes, flow, effectiveMm } = cut;
	const strainC = temperatureAt(viscosityOf(family), LOG_ETA.strain);
	const rate = minutes > 0 ? (beforeC - coldestC) / (minutes / 60) : 0;
	const lagK = slabLagK(Math.max(0, rate), effectiveMm);
	const mpa = lagStressPa(lagK, family.expansionE7PerK) / 1e6;
	const fused = flow >= LEVEL_BANDS.tack.from;
	const reheat = Math.floor(
		Math.min(222, rateForLag(WARM_UP_LAG_K.cautious, effectiveMm)) * (fused ? REFIRED_SHARE : 1),
	);
	const fell = say`It fell from ${{ c: beforeC }} to ${{ c: coldestC }} in ${{ min: minutes }}, ${{ cPerH: rate }}.`;
	if (coldestC >= strainC) {
		return {
			severity: "know",
			happened: [
				...fell,
				...say` The glass stayed above its strain point, ${{ c: strainC }}: nothing set, nothing cracked.`,
			],
			next: say`It bears going on from here as planned. Time below the target is missing: look at the flow index before the peak is passed.`,
			heatAtMostCPerH: null,
		};
	}
	if (!fused) {
		return {
			severity: "fix",
			happened: [...fell, ...say` The parts were not joined yet and cooled each by itself.`],
			next: say`Begin again from ${{ c: nowC }} with the first ramp, at most ${{ cPerH: reheat }}. Parts that stuck a little may have let go.`,
			heatAtMostCPerH: reheat,
		};
	}
	const over = mpa * 1e6 > ALLOWED_TENSION_PA;
	return {
		severity: over ? "stop" : "fix",
		happened: [
			...fell,
			...say` It was fused and went through its annealing without a soak: ${{ n: mpa }} MPa of ${{ n: ALLOWED_TENSION_PA / 1e6 }} allowed while it fell.`,
		],
		next: over
			? say`It may have cracked. Look before anything is heated; if it is whole, at most ${{ cPerH: reheat }} back up to ${{ c: family.annealingC }}, then the whole soak and cooling again.`
			: say`At most ${{ cPerH: reheat }} back up to ${{ c: family.annealingC }}, then the whole soak and cooling again: what was skipped stays in it as stress.`,
		heatAtMostCPerH: reheat,
	};
}
