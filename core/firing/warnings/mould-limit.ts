import { say } from "../../units/phrase";
import type { Case } from "./case";
import type { ScheduleWarning } from "./warning";

export function mouldLimit({ document, segments, peak }: Case): ScheduleWarning[] {
	const hottest = segments[peak]?.targetC ?? 0;
	if (document.mouldMaxC === null || hottest <= document.mouldMaxC) return [];
	return [
		{
			code: "mould-limit",
			severity: "stop",
			segment: peak,
			sentence: say`${{ c: hottest }} is above the ${{ c: document.mouldMaxC }} its mould bears.`,
			remedy: say`Take another mould, or go lower and hold longer.`,
		},
	];
}
