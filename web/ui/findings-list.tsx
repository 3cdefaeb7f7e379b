import type { Finding } from "@core/stack/finding";
import { phraseText } from "@core/units/phrase";
import { usePrefs } from "../lib/prefs";
import { SeverityMark } from "./signs";

/** Findings with severity, figure, reason and remedy; worst first. */
export function FindingsList({ findings }: { findings: readonly Finding[] }) {
	const { units } = usePrefs();
	if (findings.length === 0) return <p className="py-3 text-soft">Nothing stands against this stack.</p>;
	return (
		<ul className="ruled">
			{findings.map((finding) => (
				<li
					key={`${finding.code} ${finding.partIds.join()}`}
					className="grid grid-cols-[4.2rem_1fr] items-start gap-x-2 py-2"
				>
					<SeverityMark severity={finding.severity} />
					<div>
						<p>{phraseText(finding.sentence, units)}</p>
						<p className="text-soft">{phraseText(finding.remedy, units)}</p>
					</div>
				</li>
			))}
		</ul>
	);
}
