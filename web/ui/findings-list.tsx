import type { Glass } from "@core/glass/glass";
import type { Finding } from "@core/stack/finding";
import { phraseText } from "@core/units/phrase";
import { usePrefs } from "../lib/prefs";
import { SeverityMark, SwatchPair } from "./signs";

interface Props {
	findings: readonly Finding[];
	/** Applies a finding's remedy; left out where nothing may be changed. */
	onFix?: ((finding: Finding) => void) | undefined;
	onLook?: ((finding: Finding | undefined) => void) | undefined;
	/** Samples that bear a finding out. */
	samplesFor?: (finding: Finding) => readonly { id: string; name: string }[];
	/** Glasses that show a finding: strikers as bought and as fired. */
	glassesOf?: (finding: Finding) => readonly Glass[];
}

/** Findings with severity, figure, reason and remedy, and one press that applies it; worst first. */
export function FindingsList({ findings, onFix, onLook, samplesFor, glassesOf }: Props) {
	const { units } = usePrefs();
	if (findings.length === 0) return <p className="py-3 text-soft">Nothing stands against this stack.</p>;
	return (
		<ul className="ruled">
			{findings.map((finding, i) => {
				const { fix, severity, code, partIds } = finding;
				const samples = samplesFor?.(finding) ?? [];
				return (
					<li
						key={`${code} ${partIds.join()} ${i}`}
						className="py-2"
						onPointerEnter={() => onLook?.(finding)}
						onPointerLeave={() => onLook?.(undefined)}
						onFocus={() => onLook?.(finding)}
						onBlur={() => onLook?.(undefined)}
					>
						<p>
							<SeverityMark severity={severity} /> {phraseText(finding.sentence, units)}
						</p>
						<p className="mt-0.5 text-soft">{phraseText(finding.remedy, units)}</p>
						{glassesOf?.(finding).map(({ id, name, boughtColour, firedColour }) => (
							<p key={id} className="mt-1 flex items-center gap-2">
								<SwatchPair bought={boughtColour} fired={firedColour} label={name} /> {name}, as bought | as fired
							</p>
						))}
						{samples.map(({ id, name }) => (
							<p key={id} className="text-soft">
								Seen on sample{" "}
								<a className="underline" href={`/books?tab=samples#${id}`}>
									{name}
								</a>
							</p>
						))}
						{fix && onFix && (
							<button type="button" className="btn btn-sm mt-1.5" onClick={() => onFix(finding)}>
								{phraseText(fix.label, units)}
							</button>
						)}
					</li>
				);
			})}
		</ul>
	);
}
