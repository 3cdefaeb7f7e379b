import type { PlacedForm, Placement, ShelfPiece } from "../placement";
import { areApart, type LaidRing, movedRing } from "./apart";
import { turnedBy } from "./form";
import { Grid } from "./grid";
import { CELL_MM } from "./mask";
import { postOutline, postRings } from "./post-rings";
import type { Template, Templates } from "./templates";

export interface LaidOut {
	laid: Placement[];
	leftIds: string[];
}

export interface LayRule {
	/** Angles that are tried are multiples of this, degrees. */
	everyDeg: number;
	/** The first row begins so far above the shelf's foot: on a round shelf that is where it is wide enough, mm. */
	footMm: number;
}

/**
 * Lays outlines in the order given, each where its top comes lowest and then farthest left, at the best of its angles; what fits
 * nowhere is left. Rows of a 2 mm grid upwards with leaps over what is taken; every place is checked exactly before it is taken.
 */
export function layOutlines(
	all: readonly Pick<ShelfPiece, "id" | "form">[],
	{ everyDeg, footMm }: LayRule,
	templates: Templates,
	pinned: readonly PlacedForm[] = [],
): LaidOut {
	const { shelf, clearanceMm } = templates;
	const grid = new Grid(shelf);
	const laid: Placement[] = [];
	const rings: LaidRing[] = [];
	for (const { form, xMm, yMm, turnDeg } of pinned) {
		const turned = turnedBy(form.outline, turnDeg);
		// Between cells: what the mask misses, the exact check finds.
		const mask = templates.maskOf(turned);
		grid.take(mask, Math.round(yMm / CELL_MM), Math.round(xMm / CELL_MM));
		rings.push(movedRing(turned, xMm, yMm));
	}
	for (const { xMm, yMm, acrossMm } of shelf.posts ?? []) {
		grid.take(templates.maskOf(postOutline(acrossMm)), Math.round(yMm / CELL_MM), Math.round(xMm / CELL_MM));
	}
	rings.push(...postRings(shelf));
	const leftIds: string[] = [];
	// A shelf only gets fuller: where an equal one found its place, nothing below is free for the next.
	const reached = new Map<string, number>();
	const footRows = Math.ceil(footMm / CELL_MM);
	for (const { id, form } of all) {
		let best: { template: Template; row: number; col: number; top: number } | undefined;
		for (const turned of form.turns) {
			if (turned.turnDeg % everyDeg !== 0) continue;
			const template = templates.of(form, turned);
			const first = reached.get(template.key) ?? template.fromRow + footRows;
			const mostRow = best ? Math.floor((best.top - turned.maxY) / CELL_MM) : template.toRow;
			const found = lowestFree(grid, template, first, mostRow, rings, clearanceMm);
			reached.set(template.key, found.row);
			const top = found.row * CELL_MM + turned.maxY;
			if (found.col !== undefined && (!best || top < best.top - 1e-9))
				best = { template, ...found, col: found.col, top };
		}
		if (!best) {
			leftIds.push(id);
			continue;
		}
		const { template, row, col } = best;
		grid.take(template.mask, row, col);
		rings.push(movedRing(template.turned, col * CELL_MM, row * CELL_MM));
		laid.push({ id, xMm: col * CELL_MM, yMm: row * CELL_MM, turnDeg: template.turned.turnDeg });
	}
	return { laid, leftIds };
}

/** The lowest row from `first` to `mostRow` with a free place and its column; where there is none, the row up to which none is. */
function lowestFree(
	grid: Grid,
	{ turned, mask, fromRow, toRow, fromCol, toCol }: Template,
	first: number,
	mostRow: number,
	rings: readonly LaidRing[],
	clearanceMm: number,
): { row: number; col?: number } {
	let row = first;
	for (const end = Math.min(mostRow + 1, toRow); row < end; row++) {
		const most = toCol[row - fromRow] as number;
		let col = fromCol[row - fromRow] as number;
		while (col <= most) {
			col = grid.freeFrom(mask, row, col, most);
			if (col < 0) break;
			const lies = movedRing(turned, col * CELL_MM, row * CELL_MM);
			if (rings.every((other) => areApart(lies, other, clearanceMm))) return { row, col };
			col++;
		}
	}
	return { row };
}
