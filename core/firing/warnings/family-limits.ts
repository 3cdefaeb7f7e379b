import { say } from "../../units/phrase";
import type { Case } from "./case";
import type { ScheduleWarning } from "./warning";

export function familyLimits({ family, segments, peak }: Case): ScheduleWarning[] {
	const warnings: ScheduleWarning[] = [];
	const hottest = segments[peak]?.targetC ?? 0;
	if (!family.tested)
		warnings.push({
			code: "untested-family",
			severity: "stop",
			segment: null,
			sentence: say`${family.label} is untested glass: ${{ n: family.expansionE7PerK }} ×10⁻⁷/K is a guess, and so are the points this schedule is made from.`,
			remedy: say`Fire it by itself, after a strain test.`,
		});
	if (hottest > family.workingC)
		warnings.push({
			code: "family-limit",
			severity: "stop",
			segment: peak,
			sentence: say`${{ c: hottest }} is above the working point of ${family.label}, ${{ c: family.workingC }}: it runs like honey.`,
			remedy: say`Lower the peak, or dam the glass and protect the shelf.`,
		});
	return warnings;
}
