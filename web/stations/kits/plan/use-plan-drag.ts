import { type Bounds, boundsOf } from "@core/geometry/bounds";
import { isOn } from "@core/geometry/inside";
import type { Point } from "@core/geometry/region";
import type { Score } from "@core/kit/cut-and-spread";
import type { DrawnPart } from "@core/kit/drawn";
import { snapTo } from "@core/kit/snap";
import type { Cut } from "@core/stack/section";
import { tidyMm } from "@core/units/tidy";
import { type PointerEvent as Pointer, useState } from "react";
import { useDrag } from "../../../lib/use-drag";
import { useDraft } from "../draft";
import type { usePlanWindow } from "./plan-view";

/** What a press on the plan does: choose and move parts, draw a stringer point by point, draw scores. */
export type PlanMode =
	| { kind: "parts" }
	| { kind: "line"; form: "stringer" | "ribbon"; points: Point[] }
	| { kind: "scores"; scores: Score[] };

/** How far parts are moved, mm, and the lines they snapped to. */
export type Moved = Point & { snapX?: number; snapY?: number };

/** A line being drawn: a frame round parts, or a score. */
export type Drawn = Score & { kind: "frame" | "score" };

/** What is held between a press and letting go. */
interface Grip {
	move(at: Point, event: Pointer<Element>): void;
	drop?(): void;
}

interface Bench {
	drawn: readonly DrawnPart[];
	plan: ReturnType<typeof usePlanWindow>;
	cut: Cut | undefined;
	onCut(cut: Cut): void;
	mayEdit: boolean;
	mode: PlanMode;
	onMode(mode: PlanMode): void;
}

/** Snapping reaches this many pixels. */
const SNAP_PX = 7;
/** A press that moves less than this is a press, not a drag. */
const STILL_PX = 3;
/** A score is at least this long, pixels. */
const SCORE_PX = 4;

/** Everything a pointer does on the plan; one grip each for parts, a frame, the section's line, a score and the window. */
export function usePlanDrag({ drawn, plan, cut, onCut, mayEdit, mode, onMode }: Bench) {
	const chosen = useDraft((draft) => draft.chosen);
	const choose = useDraft((draft) => draft.choose);
	const editParts = useDraft((draft) => draft.editParts);
	const [moved, setMoved] = useState<Moved | undefined>();
	const [line, setLine] = useState<Drawn | undefined>();
	const px = plan.mmPerPx;

	const windowGrip = (event: Pointer<Element>): Grip => {
		let from = { x: event.clientX, y: event.clientY };
		return {
			move(_at, { clientX: x, clientY: y }) {
				plan.pan({ x: x - from.x, y: y - from.y });
				from = { x, y };
			},
		};
	};

	const lineGrip = (kind: Drawn["kind"], from: Point, drop: (line: Score) => void): Grip => {
		let to = from;
		setLine({ kind, from, to });
		return {
			move(at) {
				to = at;
				setLine({ kind, from, to });
			},
			drop: () => drop({ from, to }),
		};
	};

	const scoreTo = (score: Score) => {
		if (mode.kind === "scores" && Math.hypot(score.to.x - score.from.x, score.to.y - score.from.y) > SCORE_PX * px)
			onMode({ ...mode, scores: [...mode.scores, score] });
	};

	const frameTo = ({ from, to }: Score) => {
		const frame = boundsOf([[from, to]]);
		if (frame.widthMm <= STILL_PX * px && frame.heightMm <= STILL_PX * px) return;
		choose([...new Set(drawn.filter(({ region }) => within(boundsOf(region), frame)).map(({ part }) => part.id))]);
	};

	const partsGrip = (ids: readonly string[], from: Point): Grip => {
		const boxes = (held: boolean) =>
			drawn.filter(({ part }) => ids.includes(part.id) === held).map(({ region }) => boundsOf(region));
		const [box, others] = [aroundAll(boxes(true)), boxes(false)];
		let by: Moved = { x: 0, y: 0 };
		return {
			move(at, { ctrlKey }) {
				by = shifted({ from, box, others }, at, ctrlKey ? 0 : SNAP_PX * px, px);
				setMoved(by);
			},
			drop() {
				if (by.x === 0 && by.y === 0) return;
				const put = (mm: number) => tidyMm(mm, 0.01);
				editParts((parts) =>
					parts.map((part) =>
						ids.includes(part.id) ? { ...part, xMm: put(part.xMm + by.x), yMm: put(part.yMm + by.y) } : part,
					),
				);
			},
		};
	};

	const pressOn = (at: Point, part: string | undefined, add: boolean): Grip | undefined => {
		const id = part ?? drawn.findLast(({ region }) => isOn(at, region))?.part.id;
		if (!id) {
			if (!add) choose([]);
			return lineGrip("frame", at, frameTo);
		}
		const next = picked(chosen, id, add);
		choose(next);
		return mayEdit ? partsGrip(next, at) : undefined;
	};

	const take = (event: Pointer<Element>): Grip | undefined => {
		const at = plan.toPlan(event.clientX, event.clientY);
		const { section, part } = (event.target as SVGElement).dataset;
		if (event.button === 1 || event.altKey) return windowGrip(event);
		if (mode.kind === "scores") return lineGrip("score", at, scoreTo);
		if (mode.kind === "line") return onMode({ ...mode, points: [...mode.points, at] }) as undefined;
		if (section && cut)
			return { move: (to) => onCut(draggedCut({ what: section as "from" | "to" | "line", from: at, cut }, to)) };
		return pressOn(at, part, event.shiftKey);
	};

	const ended = () => {
		setMoved(undefined);
		setLine(undefined);
		plan.letGo();
	};
	const drag = useDrag<Grip>({
		move: (grip, event) => grip.move(plan.toPlan(event.clientX, event.clientY), event),
		drop(grip) {
			grip.drop?.();
			ended();
		},
		giveUp: ended,
		buttons: [0, 1],
	});
	const handlers = drag((event) => {
		const grip = take(event);
		if (grip) plan.hold();
		return grip;
	});
	return { handlers, chosen, moved, line };
}

/** What is chosen after a press on a part: it alone, or with Shift one more or one less. */
function picked(chosen: readonly string[], id: string, add: boolean): readonly string[] {
	if (!add) return chosen.includes(id) ? chosen : [id];
	return chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id];
}

interface Held {
	from: Point;
	box: Bounds;
	others: readonly Bounds[];
}

function shifted({ from, box, others }: Held, at: Point, reachMm: number, px: number): Moved {
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

/** Where the section runs once one end, or the whole line, is pulled along. */
function draggedCut({ what, from, cut }: { what: "from" | "to" | "line"; from: Point; cut: Cut }, at: Point): Cut {
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
