import { boundsOf } from "@core/geometry/bounds";
import { type Glass, inUse } from "@core/glass/glass";
import { at, type Problem } from "@core/result";
import { counted } from "@core/units/counted";
import { firstSentence, written } from "@core/units/written";
import type { OutlinesRead } from "@formats/outlines";
import { useState } from "react";
import { ChoiceField } from "../../../forms/fields";
import { FileField } from "../../../forms/file-field";
import { Said } from "../../../forms/said";
import { useFigure } from "../../../lib/prefs";
import { ringPath } from "../../../ui/region-path";
import { useDraft, useParts } from "../draft";
import { onTop } from "./new-part";

const UNITS = [
	{ value: "1", label: "a millimetre" },
	{ value: "10", label: "a centimetre" },
	{ value: "25.4", label: "an inch" },
] as const;
type Unit = (typeof UNITS)[number]["value"];

/** Free outlines from an SVG or DXF drawing: looked at with their sizes first, then laid on the bench. */
export function OutlineImport({ glasses }: { glasses: readonly Glass[] }) {
	const figure = useFigure();
	const parts = useParts();
	const components = useDraft((draft) => draft.document.components);
	const editParts = useDraft((draft) => draft.editParts);
	const choose = useDraft((draft) => draft.choose);
	const [unit, setUnit] = useState<Unit>("1");
	const [read, setRead] = useState<OutlinesRead | undefined>();
	const [problems, setProblems] = useState<Problem[]>([]);

	const open = async (file: File) => {
		setRead(undefined);
		setProblems([]);
		if (file.size > 2 * 1024 * 1024) return setProblems([at([], "A drawing has at most 2 MB; this one was not read.")]);
		const text = await file.text();
		const isDxf = /\.dxf$/i.test(file.name);
		// Readers of drawings are loaded only when somebody opens one.
		const result = isDxf
			? (await import("@formats/outline-from-dxf")).outlinesFromDxf(text, Number(unit))
			: (await import("@formats/outline-from-svg")).outlinesFromSvg(text);
		if (result.ok) setRead(result.value);
		else setProblems(result.problems);
	};
	const lay = () => {
		const glassId = inUse(glasses).find(({ form }) => form === "sheet")?.id;
		if (!read || !glassId) return;
		const made = read.outlines.map(({ points }, i) =>
			onTop(
				{ parts, components, glasses },
				read.outlines.length === 1 ? "Outline" : `Outline ${i + 1}`,
				{ kind: "sheet", shape: { kind: "outline", points }, glassId, faceDown: false },
				{ firing: 0 },
			),
		);
		editParts((all) => [...all, ...made]);
		choose(made.map(({ id }) => id));
		setRead(undefined);
	};
	return (
		<div className="flex flex-col gap-2">
			<FileField
				compact
				label="Outlines from a drawing (SVG, DXF)"
				accept=".svg,.dxf,image/svg+xml"
				error={firstSentence(problems) || undefined}
				onFile={(file) => void open(file)}
			/>
			<ChoiceField<Unit>
				compact
				label="If a DXF names no unit, one is"
				value={unit}
				options={UNITS}
				onChange={setUnit}
			/>
			{read && (
				<div className="rounded border border-line bg-base-100 p-2">
					<ul className="flex flex-wrap gap-3">
						{read.outlines.slice(0, 12).map(({ points, widthMm, heightMm }, i) => {
							const box = boundsOf([points]);
							return (
								<li key={i} className="figure text-center text-[12.5px]">
									<svg
										viewBox={`${box.minX} ${-box.maxY} ${box.widthMm} ${box.heightMm}`}
										className="h-12 w-16 fill-secondary/25 stroke-base-content"
										aria-hidden="true"
									>
										<path d={ringPath(points)} strokeWidth="1" vectorEffect="non-scaling-stroke" />
									</svg>
									{figure({ mm: widthMm })} × {figure({ mm: heightMm })}
								</li>
							);
						})}
					</ul>
					{read.notes.map((note) => (
						<p key={written(note)} className="mt-1 text-soft">
							<Said words={note} />
						</p>
					))}
					<button type="button" className="btn btn-sm mt-2 w-full" onClick={lay}>
						Lay {counted(read.outlines.length, "outline")} on the bench
					</button>
				</div>
			)}
		</div>
	);
}
