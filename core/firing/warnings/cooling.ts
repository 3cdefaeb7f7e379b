import { ALLOWED_TENSION_PA } from "../../glass/constants";
import { timeConstantS } from "../../kiln/kiln";
import { say } from "../../units/phrase";
import { COOL_STEP_K, LAST_COOL_CAP_C_PER_H, OPEN_C } from "../build";
import { nameSegments } from "../name-segments";
import { lagStressPa, slabLagK } from "../rates";
import { UNKNOWN_KILN_DROP_C_PER_H } from "../schedule";
import { annealHolds, isDots } from "./annealing";
import { type Case, changed, startOf } from "./case";
import { SLACK_C_PER_H } from "./ramps";
import { severityBy } from "./severity-by";
import type { ScheduleWarning } from "./warning";

const tenths = (pa: number): number => Math.round(pa / 1e5) / 10;

export function cooling(one: Case): ScheduleWarning[] {
	if (isDots(one)) return [];
	const { segments, demand, family, kiln, document, peak } = one;
	const soakC = annealHolds(one).at(-1)?.segment.targetC ?? family.annealingC;
	const thicknessMm = Math.max(...document.pieces.map(({ effectiveMm }) => effectiveMm));
	const allowedAt = (c: number) => {
		const below = (soakC - c) / COOL_STEP_K;
		const share = below < 1 ? 1 : below < 2 ? 1.8 : 6;
		return Math.floor(Math.min(LAST_COOL_CAP_C_PER_H, demand.coolCPerH * share));
	};
	const naturalAt = (c: number) => (kiln ? ((c - kiln.roomC) / timeConstantS(kiln)) * 3600 : UNKNOWN_KILN_DROP_C_PER_H);
	const warnings: ScheduleWarning[] = [];
	const lastC = segments.at(-1)?.targetC ?? OPEN_C;
	const ways = [
		...segments.map((segment, i) => ({ ...segment, i, fromC: startOf(one, i) })),
		...(lastC > OPEN_C + 10 ? [{ rateCPerH: "full" as const, targetC: OPEN_C, i: segments.length, fromC: lastC }] : []),
	];
	for (const { rateCPerH, targetC, i, fromC } of ways) {
		if (i <= peak || targetC >= fromC || targetC >= soakC - 5) continue;
		const from = Math.min(fromC, soakC);
		const rate = rateCPerH === "full" ? naturalAt(from) : Math.min(rateCPerH, naturalAt(from));
		const allowed = allowedAt(from);
		if (rate <= allowed + SLACK_C_PER_H) continue;
		const lagK = slabLagK(rate, thicknessMm);
		const mpa = lagStressPa(lagK, family.expansionE7PerK) / 1e6;
		const last = i === segments.length;
		warnings.push({
			code: "cool-too-fast",
			severity: severityBy(one.felt().coolingStressPa),
			segment: last ? null : i,
			sentence: say`Falling from ${{ c: from }} at ${{ cPerH: rate }}, ${{ mm: thicknessMm }} to anneal as differs by ${{ stepC: lagK }} inside, ${{ n: mpa }} MPa; ${{ cPerH: allowed }} is the rule here.`,
			remedy: last
				? say`After the last segment the kiln falls by itself: add one that holds it back.`
				: say`The simulated firing puts ${{ n: tenths(one.felt().coolingStressPa) }} MPa into it on the way down; ${{ n: ALLOWED_TENSION_PA / 1e6 }} is allowed. Cooled much too fast, it cracks now or later.`,
			fix: last
				? {
						label: say`Add a segment at ${{ cPerH: allowed }}`,
						segments: nameSegments([...segments, { name: "down3", rateCPerH: allowed, targetC: OPEN_C, holdMin: 0 }]),
					}
				: { label: say`Slow it to ${{ cPerH: allowed }}`, segments: changed(one, i, { rateCPerH: allowed }) },
		});
	}
	return warnings;
}
