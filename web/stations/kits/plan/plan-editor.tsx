import { type Bounds, boundsOf } from "@core/geometry/bounds";
import { isOn } from "@core/geometry/inside";
import type { Point } from "@core/geometry/region";
import type { Score } from "@core/kit/cut-and-spread";
import type { DrawnPart } from "@core/kit/drawn";
import { snapTo } from "@core/kit/snap";
import type { Finding } from "@core/stack/finding";
import type { Cut } from "@core/stack/section";
import type { KitSurvey } from "@core/stack/survey";
import { tidyMm } from "@core/units/tidy";
import { Maximize, ZoomIn, ZoomOut } from "lucide-react";
import { useMemo, useState } from "react";
import { useFigure } from "../../../lib/prefs";
import { useDraft } from "../draft";
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

/** What the plan shows besides the glass. */
export interface PlanShow {
	fired: boolean;
	thickness: boolean;
	stress: boolean;
	after: boolean;
	joints: boolean;
}

/** What a press on the plan does: choose and move parts, draw a stringer point by point, draw scores. */
export type PlanMode =
	| { kind: "parts" }
	| { kind: "line"; form: "stringer" | "ribbon"; points: Point[] }
	| { kind: "scores"; scores: Score[] };

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

/** Snapping reaches this many pixels. */
const SNAP_PX = 7;
/** A press that moves less than this is a press, not a drag. */
const STILL_PX = 3;

type Grip =
	| { kind: "parts"; from: Point; box: Bounds; others: Bounds[] }
	| { kind: "frame"; from: Point; to: Point }
	| { kind: "section"; what: "from" | "to" | "line"; from: Point; cut: Cut }
	| { kind: "score"; from: Point; to: Point }
	| { kind: "pan"; x: number; y: number };

/** The plan to scale: choose, drag with snapping, frame several, zoom; the section's line is dragged here too. */
export function PlanEditor({ drawn, survey, show, cut, onCut, looked, mayEdit, mode, onMode }: Props) {
	const figure = useFigure();
	const chosen = useDraft((draft) => draft.chosen);
	const choose = useDraft((draft) => draft.choose);
	const editParts = useDraft((draft) => draft.editParts);
	const [grip, setGrip] = useState<Grip | undefined>();
	const [moved, setMoved] = useState<(Point & { snapX?: number; snapY?: number }) | undefined>();
	const [pointer, setPointer] = useState<Point | undefined>();
	const box = useMemo(() => boxOfDrawn(drawn), [drawn]);
	const loops = useMemo(
		() => drawn.filter(({ part }) => part.kind === "loop").map(({ part }) => ({ x: part.xMm, y: part.yMm })),
		[drawn],
	);
	const count = useMemo(() => new Set(drawn.map(({ part }) => part.id)).size, [drawn]);
	const plan = usePlanWindow(box);
	const px = plan.mmPerPx;

	const boxesOf = (ids: readonly string[], within: boolean) =>
		drawn.filter(({ part }) => ids.includes(part.id) === within).map(({ region }) => boundsOf(region));

	const press = (event: React.PointerEvent<SVGSVGElement>) => {
		const at = plan.toPlan(event.clientX, event.clientY);
		const target = event.target as SVGElement;
		const section = target.dataset.section as "from" | "to" | "line" | undefined;
		event.currentTarget.setPointerCapture(event.pointerId);
		plan.hold();
		if (event.button === 1 || event.altKey) return setGrip({ kind: "pan", x: event.clientX, y: event.clientY });
		if (mode.kind === "line") return onMode({ ...mode, points: [...mode.points, at] });
		if (mode.kind === "scores") return setGrip({ kind: "score", from: at, to: at });
		if (section && cut) return setGrip({ kind: "section", what: section, from: at, cut });
		return pressPart(at, target.dataset.part, event.shiftKey);
	};

	const pressPart = (at: Point, part: string | undefined, add: boolean) => {
		const id = part ?? drawn.findLast(({ region }) => isOn(at, region))?.part.id;
		if (!id) {
			if (!add) choose([]);
			return setGrip({ kind: "frame", from: at, to: at });
		}
		const next = picked(chosen, id, add);
		choose(next);
		if (mayEdit)
			setGrip({ kind: "parts", from: at, box: aroundAll(boxesOf(next, true)), others: boxesOf(next, false) });
	};

	const drag = (event: React.PointerEvent<SVGSVGElement>) => {
		const at = plan.toPlan(event.clientX, event.clientY);
		if (mode.kind === "line") setPointer(at);
		if (!grip) return;
		if (grip.kind === "pan") {
			plan.pan({ x: event.clientX - grip.x, y: event.clientY - grip.y });
			setGrip({ ...grip, x: event.clientX, y: event.clientY });
		} else if (grip.kind === "parts") setMoved(shifted(grip, at, event.ctrlKey ? 0 : SNAP_PX * px, px));
		else if (grip.kind === "section") onCut(draggedCut(grip, at));
		else setGrip({ ...grip, to: at });
	};

	/** Ends a drag without doing anything: it was given up, or it is done. */
	const abandon = () => {
		setGrip(undefined);
		setMoved(undefined);
		plan.letGo();
	};

	const release = () => {
		if (grip?.kind === "parts" && moved && (moved.x !== 0 || moved.y !== 0)) {
			editParts((parts) =>
				parts.map((part) =>
					chosen.includes(part.id)
						? { ...part, xMm: tidyMm(part.xMm + moved.x, 0.01), yMm: tidyMm(part.yMm + moved.y, 0.01) }
						: part,
				),
			);
		}
		if (grip?.kind === "frame") {
			const frame = boundsOf([[grip.from, grip.to]]);
			if (frame.widthMm > STILL_PX * px || frame.heightMm > STILL_PX * px)
				choose([...new Set(drawn.filter(({ region }) => within(boundsOf(region), frame)).map(({ part }) => part.id))]);
		}
		if (
			grip?.kind === "score" &&
			mode.kind === "scores" &&
			Math.hypot(grip.to.x - grip.from.x, grip.to.y - grip.from.y) > 4 * px
		)
			onMode({ ...mode, scores: [...mode.scores, { from: grip.from, to: grip.to }] });
		abandon();
	};

	return (
		<div className="relative h-full min-h-0 overflow-hidden">
			<svg
				ref={plan.svg}
				viewBox={plan.viewBox}
				className={`h-full w-full touch-none select-none ${mode.kind === "parts" ? "" : "cursor-crosshair"}`}
				role="img"
				aria-label={`Plan of the kit, ${figure({ mm: box.widthMm })} by ${figure({ mm: box.heightMm })}, ${count} parts. The list on the left chooses the same parts by keyboard.`}
				data-testid="plan"
				onPointerDown={press}
				onPointerMove={drag}
				onPointerUp={release}
				onPointerCancel={abandon}
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
				<Drawing mode={mode} grip={grip} pointer={pointer} px={px} />
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

/** What is chosen after a press on a part: it alone, or with Shift one more or one less. */
function picked(chosen: readonly string[], id: string, add: boolean): readonly string[] {
	if (!add) return chosen.includes(id) ? chosen : [id];
	return chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id];
}

function PlanButton({ label, onClick, children }: { label: string; onClick(): void; children: React.ReactNode }) {
	return (
		<button type="button" className="btn btn-sm join-item w-9 px-0" aria-label={label} title={label} onClick={onClick}>
			{children}
		</button>
	);
}

function SnapLines({
	moved,
	edges,
	px,
}: {
	moved: { snapX?: number; snapY?: number };
	edges: Omit<Bounds, "widthMm" | "heightMm">;
	px: number;
}) {
	return (
		<g className="stroke-secondary" strokeWidth={px} strokeDasharray={`${px * 3} ${px * 3}`} pointerEvents="none">
			{moved.snapX !== undefined && <path d={`M${moved.snapX} ${-edges.maxY}V${-edges.minY}`} />}
			{moved.snapY !== undefined && <path d={`M${edges.minX} ${-moved.snapY}H${edges.maxX}`} />}
		</g>
	);
}

/** What is being drawn: a frame round parts, a stringer's line, scores across a sheet. */
function Drawing({
	mode,
	grip,
	pointer,
	px,
}: {
	mode: PlanMode;
	grip: Grip | undefined;
	pointer: Point | undefined;
	px: number;
}) {
	const line = (a: Point, b: Point) => `M${a.x} ${-a.y}L${b.x} ${-b.y}`;
	const scores = mode.kind === "scores" ? [...mode.scores, ...(grip?.kind === "score" ? [grip] : [])] : [];
	const points = mode.kind === "line" ? [...mode.points, ...(pointer ? [pointer] : [])] : [];
	return (
		<g pointerEvents="none" fill="none" strokeWidth={px * 2}>
			{grip?.kind === "frame" && (
				<path
					className="fill-secondary/10 stroke-secondary"
					strokeWidth={px}
					d={`M${grip.from.x} ${-grip.from.y}H${grip.to.x}V${-grip.to.y}H${grip.from.x}Z`}
				/>
			)}
			{scores.map(({ from, to }, i) => (
				<path key={i} className="stroke-error" d={line(from, to)} />
			))}
			{points.length > 0 && (
				<path className="stroke-secondary" d={`M${points.map(({ x, y }) => `${x} ${-y}`).join("L")}`} />
			)}
		</g>
	);
}

function shifted({ from, box, others }: Extract<Grip, { kind: "parts" }>, at: Point, reachMm: number, px: number) {
	const [dx, dy] = [at.x - from.x, at.y - from.y];
	if (Math.hypot(dx, dy) < STILL_PX * px) return { x: 0, y: 0 };
	const there = { ...box, minX: box.minX + dx, maxX: box.maxX + dx, minY: box.minY + dy, maxY: box.maxY + dy };
	const snap = snapTo(there, [...others, ORIGIN], reachMm);
	return {
		x: snap.x === undefined ? tidyMm(dx, 0.5) : dx + snap.dx,
		y: snap.y === undefined ? tidyMm(dy, 0.5) : dy + snap.dy,
		...(snap.x !== undefined && { snapX: snap.x }),
		...(snap.y !== undefined && { snapY: snap.y }),
	};
}

/** The plan's own middle lines pull too. */
const ORIGIN: Bounds = { minX: 0, maxX: 0, minY: 0, maxY: 0, widthMm: 0, heightMm: 0 };

function draggedCut({ what, from, cut }: Extract<Grip, { kind: "section" }>, at: Point): Cut {
	const by = (end: Point) => ({ x: end.x + at.x - from.x, y: end.y + at.y - from.y });
	return {
		from: what === "to" ? cut.from : by(cut.from),
		to: what === "from" ? cut.to : by(cut.to),
	};
}

const within = (inner: Bounds, outer: Bounds): boolean =>
	inner.minX >= outer.minX && inner.maxX <= outer.maxX && inner.minY >= outer.minY && inner.maxY <= outer.maxY;

const aroundAll = (boxes: readonly Bounds[]): Bounds =>
	boundsOf(
		boxes.map(({ minX, minY, maxX, maxY }) => [
			{ x: minX, y: minY },
			{ x: maxX, y: maxY },
		]),
	);
