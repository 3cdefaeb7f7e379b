import type { ScheduleDocument } from "@core/firing/document";
import { FUSE_LEVELS, type FuseLevel, LEVEL_AIM, LEVEL_WORDS } from "@core/firing/level";
import type { Segment } from "@core/firing/schedule";
import { solvePeak } from "@core/firing/solve";
import type { GlassFamily } from "@core/glass/family";
import type { KilnBody } from "@core/kiln/kiln";
import { phraseText } from "@core/units/phrase";
import { useState } from "react";
import { ChoiceField, NumberField } from "../../forms/fields";
import { usePrefs } from "../../lib/prefs";

interface Props {
	document: ScheduleDocument;
	family: GlassFamily;
	kiln: KilnBody | undefined;
	/** Schedules whose flow can be asked for. */
	others: readonly { id: string; name: string; flow: number }[];
	onSolved(segments: Segment[], aim: number): void;
}

/** Backwards: a wanted flow index, perhaps under a ceiling, gives peak or hold. */
export function SolveBox({ document, family, kiln, others, onSolved }: Props) {
	const { units } = usePrefs();
	const [like, setLike] = useState<string>(`level ${document.level}`);
	const [own, setOwn] = useState<number | null>(LEVEL_AIM[document.level]);
	const [hottestC, setHottestC] = useState<number | null>(null);
	const [said, setSaid] = useState("");
	const aim =
		like === "own"
			? own
			: like.startsWith("level ")
				? LEVEL_AIM[like.slice(6) as FuseLevel]
				: (others.find(({ id }) => id === like)?.flow ?? null);
	const solve = () => {
		if (!aim || !(aim > 0) || (hottestC !== null && Number.isNaN(hottestC))) return;
		const solved = solvePeak(document.segments, family, kiln, { aim, ...(hottestC !== null && { hottestC }) });
		setSaid(phraseText(solved.because, units));
		onSolved(solved.segments, aim);
	};
	return (
		<section aria-label="Solve backwards" className="flex flex-col gap-2 border-t border-line pt-3">
			<h2>Solve backwards</h2>
			<ChoiceField<string>
				compact
				label="Reach"
				value={like}
				options={[
					...FUSE_LEVELS.map((level) => ({
						value: `level ${level}`,
						label: `${LEVEL_WORDS[level]}, flow index ${LEVEL_AIM[level]}`,
					})),
					...others.map(({ id, name, flow }) => ({ value: id, label: `the same as ${name}, ${flow.toFixed(2)}` })),
					{ value: "own", label: "a flow index of my own" },
				]}
				onChange={setLike}
			/>
			<div className="grid grid-cols-2 items-end gap-2">
				{like === "own" && <NumberField compact kind="count" label="Flow index" value={own} onChange={setOwn} />}
				<NumberField compact kind="temperature" label="Never above" value={hottestC} onChange={setHottestC} />
				<button type="button" className="btn btn-sm h-9 max-lg:h-11" onClick={solve}>
					{hottestC === null ? "Solve the peak" : "Solve the hold"}
				</button>
			</div>
			{said && <p className="font-semibold">{said}</p>}
		</section>
	);
}
