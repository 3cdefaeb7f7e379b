import { viscosityOf } from "../../glass/viscosity";
import { say } from "../../units/phrase";
import { LONGEST_HOLD_MIN } from "../build";
import { LEVEL_AIM, LEVEL_BANDS, LEVEL_WORDS, levelOf } from "../level";
import { planFlow } from "../plan-flow";
import { solvePeak } from "../solve";
import { type Case, changed } from "./case";
import type { ScheduleWarning } from "./warning";

export function peakHeat(one: Case): ScheduleWarning[] {
	const { document, segments, family, kiln, peak } = one;
	const flow = planFlow({ segments: [...segments] }, viscosityOf(family), kiln);
	const band = LEVEL_BANDS[document.level];
	const aim = document.aim ?? LEVEL_AIM[document.level];
	const reached = levelOf(flow).level;
	const wrong = flow < band.from || flow >= band.to;
	const warnings: ScheduleWarning[] = [];
	if (wrong) {
		const solved = solvePeak(segments, family, kiln, { aim });
		const words = LEVEL_WORDS[document.level];
		const seen = reached ? LEVEL_WORDS[reached] : "nothing lasting";
		warnings.push({
			code: flow < band.from ? "level-missed" : "level-passed",
			severity: "stop",
			segment: peak,
			sentence:
				flow < band.from
					? say`Flow index ${{ n: flow }} is ${seen}: ${words} begins at ${{ n: band.from }}.`
					: say`Flow index ${{ n: flow }} is ${seen}, past ${words}, which ends at ${{ n: band.to }}.`,
			remedy: say`${{ c: solved.peakC }} with this hold gives ${{ n: solved.flow }}.`,
			fix: { label: say`Peak at ${{ c: solved.peakC }}`, segments: solved.segments },
		});
	}
	const hold = segments[peak]?.holdMin ?? 0;
	if (hold > LONGEST_HOLD_MIN && document.level !== "deep" && document.level !== "slump") {
		const solved = solvePeak(changed(one, peak, { holdMin: LONGEST_HOLD_MIN }), family, kiln, { aim });
		warnings.push({
			code: "hold-long",
			severity: "fix",
			segment: peak,
			sentence: say`${{ min: hold }} at the peak: beyond ${{ min: LONGEST_HOLD_MIN }} a cloudy skin grows.`,
			remedy: say`Hotter and shorter reaches the same.`,
			fix: {
				label: say`${{ c: solved.peakC }} for ${{ min: LONGEST_HOLD_MIN }}`,
				segments: solved.segments,
			},
		});
	}
	return warnings;
}
