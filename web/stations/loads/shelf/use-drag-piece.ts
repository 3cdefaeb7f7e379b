import { TURN_STEP_DEG } from "@core/loading/outlines/form";
import type { Shelf } from "@core/loading/shelf";
import type { ShelfDoc } from "@core/loading/shelf-doc";
import { nudged, pinned, takenOut, turned } from "@core/loading/shelf-doc";
import type { PointerEvent as Pointer } from "react";
import { useDrag } from "../../../lib/use-drag";

interface Bench {
	doc: ShelfDoc;
	edit(change: (doc: ShelfDoc) => ShelfDoc, what?: string): void;
	hold(id: string, xMm: number, yMm: number): void;
	letGo(): void;
	putBack(): void;
}

/** A step of the arrow keys, mm; with Shift. */
const STEP_MM = 1;
const STRIDE_MM = 10;

const ARROWS: Record<string, [number, number]> = {
	ArrowLeft: [-1, 0],
	ArrowRight: [1, 0],
	ArrowUp: [0, 1],
	ArrowDown: [0, -1],
};

/** Moves pieces of a shelf by pointer, and turns, pins, moves and takes them out by keys. One drag is one step to undo. */
export function useDragPiece(shelf: Shelf, { doc, edit, hold, letGo, putBack }: Bench, choose: (id: string) => void) {
	const at = (event: Pointer<Element>): [number, number] => {
		const its = event.currentTarget as SVGElement;
		const svg = its.ownerSVGElement ?? (its as SVGSVGElement);
		const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()?.inverse());
		return [p.x, shelf.heightMm - p.y];
	};
	const drag = useDrag<{ id: string; dx: number; dy: number }>({
		move({ id, dx, dy }, event) {
			const [x, y] = at(event);
			hold(id, x + dx, y + dy);
		},
		drop: letGo,
		giveUp: putBack,
	});
	return (id: string) => ({
		...drag((event) => {
			const one = doc.laid.find((its) => its.id === id);
			if (!one) return undefined;
			const [x, y] = at(event);
			choose(id);
			return { id, dx: one.xMm - x, dy: one.yMm - y };
		}),
		onFocus: () => choose(id),
		onKeyDown: (event: React.KeyboardEvent) => {
			const change = changeBy(event, id);
			if (!change || event.ctrlKey || event.metaKey || event.altKey) return;
			edit(change, event.key.startsWith("Arrow") ? `keys ${id}` : "");
			event.preventDefault();
			event.stopPropagation();
		},
	});
}

function changeBy(event: React.KeyboardEvent, id: string): ((doc: ShelfDoc) => ShelfDoc) | undefined {
	const arrow = ARROWS[event.key];
	if (arrow) {
		const by = event.shiftKey ? STRIDE_MM : STEP_MM;
		return (before) => nudged(before, id, arrow[0] * by, arrow[1] * by);
	}
	switch (event.key) {
		case "r":
			return (before) => turned(before, id, TURN_STEP_DEG);
		case "R":
			return (before) => turned(before, id, -TURN_STEP_DEG);
		case "p":
			return (before) => pinned(before, id);
		case "Delete":
			return (before) => takenOut(before, id);
		default:
			return undefined;
	}
}
