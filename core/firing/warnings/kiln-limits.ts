import { viscosityOf } from "../../glass/viscosity";
import { ceilingC, isReachable } from "../../kiln/kiln";
import { say } from "../../units/phrase";
import { planFlow } from "../plan-flow";
import { solvePeak } from "../solve";
import { type Case, startOf } from "./case";
import type { ScheduleWarning } from "./warning";

export function kilnLimits(one: Case): ScheduleWarning[] {
	const { limits, kiln, segments, peak } = one;
	const hottest = segments[peak]?.targetC ?? 0;
	const warnings: ScheduleWarning[] = [];
	if (limits && hottest > limits.maxC)
		warnings.push({
			code: "kiln-limit",
			severity: "stop",
			segment: peak,
			sentence: say`${{ c: hottest }} is above the ${{ c: limits.maxC }} this kiln goes to.`,
			remedy: say`Longer at less heat reaches the same.`,
			...limitFix(one, limits.maxC),
		});
	if (limits && segments.length > limits.maxSegments)
		warnings.push({
			code: "too-many-segments",
			severity: "stop",
			segment: null,
			sentence: say`${{ n: segments.length }} segments; this controller takes ${{ n: limits.maxSegments }}.`,
			remedy: say`Join segments that hardly differ.`,
		});
	if (!kiln) return warnings;
	for (const [i, segment] of segments.entries()) {
		if (segment.rateCPerH === "full" || segment.targetC <= startOf(one, i)) continue;
		const { targetC, rateCPerH } = segment;
		const can = ((kiln.powerW - kiln.lossWPerK * (targetC - kiln.roomC)) / kiln.capacityJPerK) * 3600;
		if (!isReachable(kiln, targetC)) {
			warnings.push({
				code: "never-reached",
				severity: "stop",
				segment: i,
				sentence: say`With all its power this kiln gets to ${{ c: ceilingC(kiln) }}: ${{ c: targetC }} is never reached.`,
				remedy: say`Its elements may be worn; look at its record.`,
			});
		} else if (can < rateCPerH - 5) {
			warnings.push({
				code: "kiln-lags",
				severity: "know",
				segment: i,
				sentence: say`Near ${{ c: targetC }} this kiln climbs ${{ cPerH: can }} at most, not ${{ cPerH: rateCPerH }}: it will lag and take longer.`,
				remedy: say`The simulation shows by how much.`,
			});
		}
	}
	return warnings;
}

function limitFix(one: Case, maxC: number): Pick<ScheduleWarning, "fix"> {
	const aim = planFlow({ segments: [...one.segments] }, viscosityOf(one.family), one.kiln);
	const solved = solvePeak(one.segments, one.family, one.kiln, { aim, hottestC: maxC });
	if (solved.peakC > maxC) return {};
	return { fix: { label: say`${{ c: solved.peakC }} for ${{ min: solved.holdMin }}`, segments: solved.segments } };
}
