import { say } from "../../units/phrase";
import { RAMP_END_C } from "../build";
import { demandOf, SLOW_RAMP_C_PER_H } from "../demand";
import { lagStressPa, slabLagK } from "../rates";
import { type Case, changed, startOf } from "./case";
import { severityBy } from "./severity-by";
import type { ScheduleWarning } from "./warning";

export const SLACK_C_PER_H = 0.5;

export function firstRamps(one: Case): ScheduleWarning[] {
	const { demand, document, thickestMm, family } = one;
	const allowed = demand.firstRampCPerH;
	if (allowed === "full") return [];
	const pieces = document.pieces.map((piece) => ({ ...piece, level: document.level }));
	const tender = pieces.find((piece) => {
		const plain = demandOf({ ...piece, blackBesideWhite: false, multiLevel: false }, document.schools);
		const rate = plain.firstRampCPerH;
		return (rate === "full" || rate > SLOW_RAMP_C_PER_H) && (piece.blackBesideWhite || piece.multiLevel);
	});
	return one.segments.flatMap((segment, i): ScheduleWarning[] => {
		const rate = fastestUp(one, i);
		if (segment.targetC <= startOf(one, i) || startOf(one, i) >= RAMP_END_C || rate <= allowed + SLACK_C_PER_H)
			return [];
		const floor = Math.floor(allowed);
		const fix = { label: say`Slow it to ${{ cPerH: floor }}`, segments: changed(one, i, { rateCPerH: floor }) };
		if (tender && allowed === SLOW_RAMP_C_PER_H && document.level === "slump" && !tender.blackBesideWhite) {
			return [
				{
					code: "raised-slump-fast",
					severity: severityBy(one.felt().heatingStressPa),
					segment: i,
					sentence: say`${tender.id} is of several heights and is to be slumped: ${{ cPerH: rate }} is faster than the ${{ cPerH: allowed }} such pieces bear.`,
					remedy: say`Slower, or a flat piece first. Common practice, no source.`,
					fix,
				},
			];
		}
		if (tender?.blackBesideWhite && allowed === SLOW_RAMP_C_PER_H) {
			return [
				{
					code: "black-beside-white",
					severity: "fix",
					segment: i,
					sentence: say`In ${tender.id} black lies beside white, and they heat at different speeds: ${{ cPerH: rate }} instead of at most ${{ cPerH: allowed }}.`,
					remedy: say`Slow the first ramp. Common practice, no source.`,
					fix,
				},
			];
		}
		const lagK = slabLagK(rate, thickestMm);
		const mpa = lagStressPa(lagK, family.expansionE7PerK) / 1e6;
		return [
			{
				code: "ramp-too-fast",
				severity: severityBy(one.felt().heatingStressPa),
				segment: i,
				sentence: say`${{ cPerH: rate }} through ${{ mm: thickestMm }} of cold glass: its faces differ by ${{ stepC: lagK }}, ${{ n: mpa }} MPa at worst. At most ${{ cPerH: allowed }} is asked for here.`,
				remedy: say`A crack with rounded edges comes from this. Slow the ramp below ${{ c: RAMP_END_C }}.`,
				fix,
			},
		];
	});
}

function fastestUp({ segments, kiln }: Case, i: number): number {
	const rate = segments[i]?.rateCPerH ?? 0;
	if (rate !== "full") return rate;
	return kiln ? (kiln.powerW / kiln.capacityJPerK) * 3600 : Number.POSITIVE_INFINITY;
}
