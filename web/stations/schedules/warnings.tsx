import type { Segment } from "@core/firing/schedule";
import type { ScheduleWarning } from "@core/firing/warnings/warning";
import { AdviceList } from "../../ui/advice-list";

/** What the schedule would do to the glass that it should not. */
export const Warnings = (props: { warnings: readonly ScheduleWarning[]; onFix(segments: Segment[]): void }) => (
	<AdviceList
		advice={props.warnings}
		none="Nothing stands against this schedule for what it is made for."
		label="Warnings"
		keyOf={({ code, segment }) => `${code} ${segment}`}
		onFix={({ fix }) => fix && props.onFix(fix.segments)}
	/>
);
