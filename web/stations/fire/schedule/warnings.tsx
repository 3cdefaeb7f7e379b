import type { ScheduleWarning } from "@core/firing/check-schedule";
import type { Segment } from "@core/firing/schedule";
import { phraseText } from "@core/units/phrase";
import { usePrefs } from "../../../lib/prefs";
import { SeverityMark } from "../../../ui/signs";

/** What the schedule would do to the glass that it should not, each with its figure and one press that mends it. */
export function Warnings(props: { warnings: readonly ScheduleWarning[]; onFix(segments: Segment[]): void }) {
	const { units } = usePrefs();
	if (props.warnings.length === 0)
		return <p className="py-2 text-soft">Nothing stands against this schedule for what it is made for.</p>;
	return (
		<ul className="ruled" aria-label="Warnings">
			{props.warnings.map(({ code, severity, segment, sentence, remedy, fix }) => (
				<li key={`${code}${segment}`} className="py-2">
					<p>
						<SeverityMark severity={severity} /> {phraseText(sentence, units)}
					</p>
					<p className="mt-0.5 text-soft">{phraseText(remedy, units)}</p>
					{fix && (
						<button type="button" className="btn btn-sm mt-1.5 max-lg:h-11" onClick={() => props.onFix(fix.segments)}>
							{phraseText(fix.label, units)}
						</button>
					)}
				</li>
			))}
		</ul>
	);
}
