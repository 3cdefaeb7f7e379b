import type { Point } from "@core/geometry/region";
import type { DrawnPart } from "@core/kit/drawn";
import type { Finding } from "@core/stack/finding";
import type { Cut } from "@core/stack/section";
import type { KitSurvey } from "@core/stack/survey";
import { Maximize, ZoomIn, ZoomOut } from "lucide-react";
import { useMemo, useState } from "react";
import { useFigure } from "../../../lib/prefs";
import { Drawing, SnapLines } from "./drawing";
import {
	AfterOutline,
	boxOfDrawn,
	Dimensions,
	FindingMarks,
	Grid,
	HangLine,
	Joints,
	PartShapes,
	ScaleBar,
	SectionLine,
	StressPatches,
	ThicknessMap,
} from "./plan-layers";
import { usePlanWindow } from "./plan-view";
import { type PlanMode, usePlanDrag } from "./use-plan-drag";

/** What the plan shows besides the glass. */
export interface PlanShow {
	fired: boolean;
	thickness: boolean;
	stress: boolean;
	after: boolean;
	joints: boolean;
}

interface Props {
	drawn: readonly DrawnPart[];
	survey: KitSurvey | undefined;
	show: PlanShow;
	cut: Cut | undefined;
	onCut(cut: Cut): void;
	looked: Finding | undefined;
	mayEdit: boolean;
	mode: PlanMode;
	onMode(mode: PlanMode): void;
}

/** The plan to scale: choose, drag with snapping, frame several, zoom; the section's line is dragged here too. */
export function PlanEditor({ drawn, survey, show, cut, onCut, looked, mayEdit, mode, onMode }: Props) {
	const figure = useFigure();
	const [pointer, setPointer] = useState<Point | undefined>();
	const box = useMemo(() => boxOfDrawn(drawn), [drawn]);
	const loops = useMemo(
		() => drawn.filter(({ part }) => part.kind === "loop").map(({ part }) => ({ x: part.xMm, y: part.yMm })),
		[drawn],
	);
	const count = useMemo(() => new Set(drawn.map(({ part }) => part.id)).size, [drawn]);
	const plan = usePlanWindow(box);
	const px = plan.mmPerPx;
	const { handlers, chosen, moved, line } = usePlanDrag({ drawn, plan, cut, onCut, mayEdit, mode, onMode });

	return (
		<div className="relative h-full min-h-0 overflow-hidden">
			<svg
				ref={plan.svg}
				viewBox={plan.viewBox}
				className={`h-full w-full touch-none select-none ${mode.kind === "parts" ? "" : "cursor-crosshair"}`}
				role="img"
				aria-label={`Plan of the kit, ${figure({ mm: box.widthMm })} by ${figure({ mm: box.heightMm })}, ${count} parts. The list on the left chooses the same parts by keyboard.`}
				data-testid="plan"
				{...handlers}
				onPointerMove={(event) => {
					if (mode.kind === "line") setPointer(plan.toPlan(event.clientX, event.clientY));
					handlers.onPointerMove(event);
				}}
			>
				<Grid edges={plan.edges} px={px} />
				<PartShapes
					drawn={drawn}
					fired={show.fired}
					faint={show.thickness || show.stress}
					chosen={chosen}
					moved={moved}
					px={px}
				/>
				{survey && show.thickness && <ThicknessMap patches={survey.patches} px={px} />}
				{survey && show.stress && <StressPatches patches={survey.patches} stress={survey.stress} px={px} />}
				{survey && show.after && <AfterOutline after={survey.after} px={px} />}
				{survey && show.joints && <Joints joints={survey.joints} px={px} />}
				{survey && <HangLine survey={survey} loops={loops} px={px} />}
				{survey && <FindingMarks findings={survey.reading.findings} looked={looked} px={px} />}
				<Dimensions box={box} px={px} />
				{cut && mode.kind === "parts" && <SectionLine cut={cut} px={px} />}
				{moved && <SnapLines moved={moved} edges={plan.edges} px={px} />}
				<Drawing mode={mode} line={line} pointer={pointer} px={px} />
				<ScaleBar edges={plan.edges} px={px} />
			</svg>
			{moved && (
				<p className="figure absolute bottom-2 left-3 rounded bg-base-100 px-2 py-0.5 font-semibold">
					{figure({ mm: moved.x })} across, {figure({ mm: moved.y })} up
				</p>
			)}
			<div className="join join-vertical absolute top-1 right-0" role="group" aria-label="Look closer">
				<PlanButton label="Look closer" onClick={() => plan.zoom(1.4)}>
					<ZoomIn size={17} />
				</PlanButton>
				<PlanButton label="Step back" onClick={() => plan.zoom(1 / 1.4)}>
					<ZoomOut size={17} />
				</PlanButton>
				<PlanButton label="See all of it" onClick={plan.fit}>
					<Maximize size={17} />
				</PlanButton>
			</div>
		</div>
	);
}

function PlanButton({ label, onClick, children }: { label: string; onClick(): void; children: React.ReactNode }) {
	return (
		<button type="button" className="btn btn-sm join-item w-9 px-0" aria-label={label} title={label} onClick={onClick}>
			{children}
		</button>
	);
}
