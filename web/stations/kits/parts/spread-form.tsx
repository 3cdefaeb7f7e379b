import { boundsOf } from "@core/geometry/bounds";
import { cutAndSpread, type Score } from "@core/kit/cut-and-spread";
import type { KitPart, PartOf } from "@core/kit/kit";
import { placedRegion } from "@core/kit/plan";
import { parseLengthMm } from "@core/units/length";
import { firstSentence } from "@core/units/written";
import { useState } from "react";
import { NumberField, TextField } from "../../../forms/fields";
import { Said } from "../../../forms/said";
import { useFigure, usePrefs } from "../../../lib/prefs";
import { newId, useDraft, useParts } from "../draft";
import type { PlanMode } from "../plan/use-plan-drag";

interface Props {
	part: PartOf<"sheet">;
	mode: PlanMode;
	onMode(mode: PlanMode): void;
}

/** One sheet cut along scores and spread apart: scores typed from its left and lower edge, or drawn across it. */
export function SpreadForm({ part, mode, onMode }: Props) {
	const figure = useFigure();
	const { units } = usePrefs();
	const parts = useParts();
	const editParts = useDraft((draft) => draft.editParts);
	const choose = useDraft((draft) => draft.choose);
	const [upright, setUpright] = useState("");
	const [level, setLevel] = useState("");
	const [gapMm, setGap] = useState<number | null>(3);
	const [fitBase, setFitBase] = useState(true);
	const [trouble, setTrouble] = useState<string | undefined>();
	const drawn = mode.kind === "scores" ? mode.scores : [];
	const box = boundsOf(placedRegion(part, { components: [] }));

	const typed = (text: string, make: (mm: number) => Score): Score[] | string => {
		const scores: Score[] = [];
		for (const word of text.split(/[;,]\s*|\s{2,}/).filter(Boolean)) {
			const mm = parseLengthMm(word, units.length);
			if (!mm.ok) return firstSentence(mm.problems, "This is not a length.");
			scores.push(make(mm.value));
		}
		return scores;
	};
	const apply = () => {
		const across = typed(upright, (mm) => ({
			from: { x: box.minX + mm, y: box.minY },
			to: { x: box.minX + mm, y: box.maxY },
		}));
		const along = typed(level, (mm) => ({
			from: { x: box.minX, y: box.minY + mm },
			to: { x: box.maxX, y: box.minY + mm },
		}));
		if (typeof across === "string") return setTrouble(across);
		if (typeof along === "string") return setTrouble(along);
		const result = cutAndSpread(part, [...drawn, ...across, ...along], gapMm ?? Number.NaN, newId);
		if (!result.ok) return setTrouble(firstSentence(result.problems));
		const { pieces, baseMm } = result.value;
		editParts((all) =>
			all.flatMap((one) =>
				one.id === part.id ? pieces : fitBase && isBase(one, part) ? [fitted(one, baseMm, pieces)] : [one],
			),
		);
		choose(pieces.map(({ id }) => id));
		onMode({ kind: "parts" });
		return setTrouble(undefined);
	};
	return (
		<form
			aria-label="Cut and spread"
			className="grid grid-cols-2 gap-x-3 gap-y-2"
			onSubmit={(event) => {
				event.preventDefault();
				apply();
			}}
		>
			<TextField
				compact
				label="Upright scores at"
				value={upright}
				onChange={setUpright}
				hint={`from its left edge, up to ${figure({ mm: box.widthMm })}: 20; 45`}
			/>
			<TextField
				compact
				label="Level scores at"
				value={level}
				onChange={setLevel}
				hint={`from its lower edge, up to ${figure({ mm: box.heightMm })}`}
			/>
			<button
				type="button"
				className={`btn btn-sm ${mode.kind === "scores" ? "btn-secondary" : ""}`}
				aria-pressed={mode.kind === "scores"}
				onClick={() => onMode(mode.kind === "scores" ? { kind: "parts" } : { kind: "scores", scores: [] })}
			>
				{mode.kind === "scores" ? `${drawn.length} drawn` : "Draw scores"}
			</button>
			<NumberField kind="length" compact label="Spread apart by" value={gapMm} onChange={setGap} />
			{parts.some((one) => isBase(one, part)) && (
				<label className="col-span-2 flex min-h-9 items-center gap-2">
					<input
						type="checkbox"
						className="checkbox checkbox-sm"
						checked={fitBase}
						onChange={(event) => setFitBase(event.target.checked)}
					/>
					make the base under it the right size
				</label>
			)}
			{trouble && (
				<p className="col-span-2 font-semibold text-error">
					<Said words={trouble} />
				</p>
			)}
			<button type="submit" className="btn btn-sm col-span-2" disabled={Number.isNaN(gapMm ?? Number.NaN)}>
				Cut it and spread the pieces
			</button>
		</form>
	);
}

/** A plain sheet below the one that is cut. */
const isBase = (one: KitPart, above: KitPart): boolean =>
	one.kind === "sheet" && one.layer < above.layer && (one.shape.kind === "rectangle" || one.shape.kind === "square");

function fitted(
	base: KitPart,
	{ width, height }: { width: number; height: number },
	pieces: readonly KitPart[],
): KitPart {
	const box = boundsOf(pieces.flatMap((piece) => placedRegion(piece, { components: [] })));
	const [widthMm, heightMm] = [Math.ceil(width), Math.ceil(height)];
	return {
		...base,
		...(base.kind === "sheet" && {
			shape:
				widthMm === heightMm
					? { kind: "square" as const, sideMm: widthMm }
					: { kind: "rectangle" as const, widthMm, heightMm },
		}),
		turnDeg: 0,
		xMm: (box.minX + box.maxX) / 2,
		yMm: (box.minY + box.maxY) / 2,
	} as KitPart;
}
