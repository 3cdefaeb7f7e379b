import type { Glass } from "@core/glass/glass";
import type { Finding, Mend } from "@core/stack/finding";
import { AdviceList } from "./advice-list";
import { SwatchPair } from "./signs";

interface Props {
	findings: readonly Finding[];
	/** Applies one of a finding's remedies; left out where nothing may be changed. */
	onFix?: ((finding: Finding, press: Mend) => void) | undefined;
	onLook?: ((finding: Finding | undefined) => void) | undefined;
	/** Samples that bear a finding out. */
	samplesFor?: (finding: Finding) => readonly { id: string; name: string }[];
	/** Glasses that show a finding: strikers as bought and as fired. */
	glassesOf?: (finding: Finding) => readonly Glass[];
}

/** What the glass of a kit will do, with the samples and glasses that show it. */
export function FindingsList({ findings, onFix, onLook, samplesFor, glassesOf }: Props) {
	return (
		<AdviceList
			advice={findings}
			none="Nothing stands against this stack."
			label="Findings"
			keyOf={(finding) => `${finding.code} ${findings.indexOf(finding)}`}
			onFix={onFix}
			onLook={onLook}
			more={(finding) => (
				<>
					{glassesOf?.(finding).map(({ id, name, boughtColour, firedColour }) => (
						<p key={id} className="mt-1 flex items-center gap-2">
							<SwatchPair bought={boughtColour} fired={firedColour} label={name} /> {name}, as bought | as fired
						</p>
					))}
					{samplesFor?.(finding).map(({ id, name }) => (
						<p key={id} className="text-soft">
							Seen on sample{" "}
							<a className="underline" href={`/books?tab=samples#${id}`}>
								{name}
							</a>
						</p>
					))}
				</>
			)}
		/>
	);
}
