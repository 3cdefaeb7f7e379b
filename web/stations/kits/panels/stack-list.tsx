import { type Glass, isStriker } from "@core/glass/glass";
import { groupBy } from "@core/group-by";
import { glassIdOf, type KitPart } from "@core/kit/kit";
import { memo } from "react";
import { useFigure } from "../../../lib/prefs";
import { likenessOf, partWords } from "../../../ui/part-words";
import { SwatchPair } from "../../../ui/signs";
import { useDraft, useParts } from "../draft";

/** The stack from the top down; parts cut alike on one layer are one line that chooses them all. */
export const StackList = memo(function StackList({ glasses }: { glasses: ReadonlyMap<string, Glass> }) {
	const parts = useParts();
	const design = useDraft((draft) => draft.document);
	const chosen = useDraft((draft) => draft.chosen);
	const choose = useDraft((draft) => draft.choose);
	const lines = [
		...groupBy(
			[...parts].sort((a, b) => b.layer - a.layer),
			likenessOf,
		).values(),
	];
	if (parts.length === 0) return <p className="px-4 py-6 text-soft">No part yet.</p>;
	return (
		<ul aria-label="Stack, top first">
			{lines.map((same) => {
				const part = same[0] as KitPart;
				const picked = same.filter(({ id }) => chosen.includes(id)).length;
				const glass = glasses.get(glassIdOf(part) ?? "");
				return (
					<StackLine
						key={likenessOf(part) + part.id}
						same={same}
						glass={glass}
						words={<PartWords part={part} glass={glass} design={design} />}
						picked={picked}
						onPick={(add) => {
							const ids = same.map(({ id }) => id);
							const others = add ? chosen.filter((id) => !ids.includes(id)) : [];
							choose(picked === ids.length ? others : [...others, ...ids]);
						}}
					/>
				);
			})}
		</ul>
	);
});

function StackLine(props: {
	same: readonly KitPart[];
	glass: Glass | undefined;
	words: React.ReactNode;
	picked: number;
	onPick(add: boolean): void;
}) {
	const { same, glass, words, picked, onPick } = props;
	const part = same[0] as KitPart;
	return (
		<li>
			<button
				type="button"
				aria-pressed={picked > 0}
				aria-label={`${part.name || "unnamed"} on layer ${part.layer + 1}${same.length > 1 ? `, ${same.length} alike` : ""}`}
				className={`flex min-h-11 w-full items-center gap-3 border-t border-line border-l-4 py-1 pr-4 pl-3 text-left ${picked > 0 ? "border-l-secondary bg-pick" : "border-l-transparent hover:bg-base-100"}`}
				onClick={(event) => onPick(event.shiftKey || event.ctrlKey)}
			>
				<PartSwatch part={part} glass={glass} />
				<span className="min-w-0 grow">
					<b className="block truncate">{part.name || "unnamed"}</b>
					{words}
				</span>
				{same.length > 1 && <b className="figure text-base">×{same.length}</b>}
				<span className="figure w-5 text-right text-soft" title="layer, the shelf is 1">
					{part.layer + 1}
				</span>
			</button>
		</li>
	);
}

function PartSwatch({ part, glass }: { part: KitPart; glass: Glass | undefined }) {
	if (glass) return <SwatchPair bought={glass.boughtColour} fired={glass.firedColour} label={glass.name} />;
	return (
		<svg
			width="30"
			height="24"
			viewBox="0 0 30 24"
			role="img"
			aria-label={part.kind}
			className="shrink-0 fill-none stroke-base-content/60"
			strokeWidth="1.6"
		>
			{part.kind === "loop" && <path d="M15 15v8M15 15a5.5 5.5 0 1 1 .1 0" />}
			{part.kind === "foil" && <path d="M3 12 12 4l6 5 9-3-7 14-9-5z" />}
			{part.kind === "fibre" && <path d="M3 18h24M3 14h24M3 10h24" strokeDasharray="3 2" />}
			{part.kind === "dam" && <path d="M4 4v16h22V4M8 4v12h14V4" />}
			{part.kind === "component" && <path d="M3 20h24M5 20c0-9 20-9 20 0" />}
		</svg>
	);
}

function PartWords({
	part,
	glass,
	design,
}: {
	part: KitPart;
	glass: Glass | undefined;
	design: Parameters<typeof partWords>[1];
}) {
	const figure = useFigure();
	return (
		<span className="block truncate text-[13px] text-soft">
			{partWords(part, design, glass, figure)}
			{glass && `, ${glass.name}`}
			{glass && isStriker(glass) && ", shows when fired"}
		</span>
	);
}
