import type { Shelf } from "../shelf";
import { areApart, type LaidTurned } from "./apart";
import type { Grid } from "./grid";
import { CELL_MM } from "./mask";
import { columnsAt, type Template } from "./templates";

/** Where a piece is put of all places that are free for it. */
export type PlaceRule =
	/** Where it lies lowest, from so far above the shelf's foot on, mm; then farthest left. */
	| { kind: "lowest"; footMm: number }
	/** Where its top comes lowest; then farthest left. */
	| { kind: "top"; footMm: number }
	/** Nearest to the middle of the shelf. */
	| { kind: "middle" }
	/** Along a diagonal from the shelf's lower left. */
	| { kind: "diagonal" }
	/** Where the box round all that lies grows least. */
	| { kind: "box" };

export interface Found {
	template: Template;
	row: number;
	col: number;
	/** What the rule weighs, less is better. */
	cost: number;
}

export interface PlaceTask {
	grid: Grid;
	shelf: Shelf;
	there: readonly LaidTurned[];
	clearanceMm: number;
	rule: PlaceRule;
	/** Round all that lies, mm; empty with its least above its most. */
	box: { minX: number; minY: number; maxX: number; maxY: number };
}

/** The best place for a template by a rule, if it is better than what was found at another angle. */
export function findPlace(template: Template, task: PlaceTask, than: Found | undefined): Found | undefined {
	const { rule } = task;
	if (rule.kind === "middle") return nearMiddle(template, task, than);
	if (rule.kind === "lowest" || rule.kind === "top") return lowest(template, task, rule, than);
	if (rule.kind === "diagonal") return alongDiagonal(template, task, than);
	return leastBox(template, task, than);
}

const LEFTMOST = 1e-4;

function lowest(
	template: Template,
	task: PlaceTask,
	{ kind, footMm }: { kind: "lowest" | "top"; footMm: number },
	than?: Found,
) {
	const { turned, fromRow, toRow } = template;
	const edge = kind === "top" ? turned.maxY : turned.minY;
	for (let row = fromRow + Math.ceil(footMm / CELL_MM); row < toRow; row++) {
		row += task.grid.rowsFull(template.mask, row);
		const height = row * CELL_MM + edge;
		if (row >= toRow || (than && height >= than.cost)) return undefined;
		const col = freeIn(template, task, row, Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY);
		if (col === undefined) continue;
		const cost = height + LEFTMOST * (col * CELL_MM + turned.minX);
		return !than || cost < than.cost ? { template, row, col, cost } : undefined;
	}
	return undefined;
}

function alongDiagonal(template: Template, task: PlaceTask, than?: Found) {
	const { turned, fromRow, toRow } = template;
	let best = than;
	for (let row = fromRow; row < toRow; row++) {
		row += task.grid.rowsFull(template.mask, row);
		const high = row * CELL_MM + turned.maxY;
		if (row >= toRow || (best && high + task.shelf.marginMm >= best.cost)) break;
		const most = best ? Math.floor((best.cost - high - turned.maxX) / CELL_MM) : Number.POSITIVE_INFINITY;
		const col = freeIn(template, task, row, Number.NEGATIVE_INFINITY, most);
		if (col === undefined) continue;
		const cost = high + col * CELL_MM + turned.maxX;
		if (!best || cost < best.cost - 1e-9) best = { template, row, col, cost };
	}
	return best === than ? undefined : best;
}

function nearMiddle(template: Template, task: PlaceTask, than?: Found) {
	const { turned, fromRow, toRow } = template;
	const x0 = task.shelf.widthMm / 2 - (turned.minX + turned.maxX) / 2;
	const y0 = task.shelf.heightMm / 2 - (turned.minY + turned.maxY) / 2;
	const mid = Math.round(y0 / CELL_MM);
	let best = than;
	// Row by row away from the middle, above and below it in turn.
	for (let k = 0; k <= 2 * (toRow - fromRow); k++) {
		const row = mid + (k % 2 ? (k + 1) / 2 : -k / 2);
		const dy = row * CELL_MM - y0;
		if (best && Math.abs(dy) - CELL_MM > Math.sqrt(best.cost)) break;
		if (row < fromRow || row >= toRow || task.grid.rowsFull(template.mask, row) > 0) continue;
		best = nearestInRow(template, task, row, { x0, dy }, best);
	}
	return best === than ? undefined : best;
}

/** The free place of a row that is nearest to the middle, if it is nearer than what was found. */
function nearestInRow(
	template: Template,
	task: PlaceTask,
	row: number,
	{ x0, dy }: { x0: number; dy: number },
	than?: Found,
) {
	const reach = than ? Math.sqrt(Math.max(0, than.cost - dy * dy)) : Number.POSITIVE_INFINITY;
	const middle = Math.round(x0 / CELL_MM);
	const right = freeIn(template, task, row, middle, Math.max(middle, Math.floor((x0 + reach) / CELL_MM)));
	const left =
		right === middle
			? undefined
			: freeIn(template, task, row, middle - 1, Math.min(middle - 2, Math.ceil((x0 - reach) / CELL_MM)));
	let best = than;
	for (const col of [right, left]) {
		if (col === undefined) continue;
		const cost = dy * dy + (col * CELL_MM - x0) ** 2;
		if (!best || cost < best.cost - 1e-9) best = { template, row, col, cost };
	}
	return best;
}

function leastBox(template: Template, task: PlaceTask, than?: Found) {
	const { box } = task;
	const { turned, fromRow, toRow } = template;
	const isEmpty = box.maxX < box.minX;
	const minX = isEmpty ? task.shelf.marginMm : box.minX;
	const from = Math.ceil((minX - turned.minX) / CELL_MM);
	let best = than;
	for (let row = fromRow; row < toRow; row++) {
		row += task.grid.rowsFull(template.mask, row);
		if (row >= toRow) break;
		const [low, high] = [row * CELL_MM + turned.minY, row * CELL_MM + turned.maxY];
		const tall = isEmpty ? high - low : Math.max(box.maxY, high) - Math.min(box.minY, low);
		const wide = isEmpty ? turned.maxX - turned.minX : box.maxX - box.minX;
		const height = LEFTMOST * high;
		if (best && tall + Math.max(wide, turned.maxX - turned.minX) + height >= best.cost) continue;
		for (const col of [
			freeIn(template, task, row, from, Number.POSITIVE_INFINITY),
			freeIn(template, task, row, from - 1, Number.NEGATIVE_INFINITY),
		]) {
			if (col === undefined) continue;
			const [left, right] = [col * CELL_MM + turned.minX, col * CELL_MM + turned.maxX];
			const across = isEmpty ? right - left : Math.max(box.maxX, right) - Math.min(box.minX, left);
			const cost = tall + across + height + LEFTMOST * right;
			if (!best || cost < best.cost - 1e-9) best = { template, row, col, cost };
		}
	}
	return best === than ? undefined : best;
}

/** The first free column of a row from `from` on, to the right or to the left, up to `to`; also by exact outlines. */
function freeIn(template: Template, task: PlaceTask, row: number, from: number, to: number): number | undefined {
	const { grid, shelf } = task;
	const { mask, fromRow, fromCol, toCol } = template;
	columnsAt(template, shelf, row);
	const i = row - fromRow;
	const [least, most] = [fromCol[i] as number, toCol[i] as number];
	const step = from <= to ? 1 : -1;
	const end = step > 0 ? Math.min(to, most) : Math.max(to, least);
	for (let col = step > 0 ? Math.max(from, least) : Math.min(from, most); (end - col) * step >= 0; col += step) {
		const found = step > 0 ? grid.freeFrom(mask, row, col, end) : grid.freeBefore(mask, row, col, end);
		if (found === undefined || isFree(template, task, row, found)) return found;
		col = found;
	}
	return undefined;
}

function isFree({ turned }: Template, { there, clearanceMm }: PlaceTask, row: number, col: number): boolean {
	const lies = { turned, xMm: col * CELL_MM, yMm: row * CELL_MM };
	for (const other of there) if (!areApart(lies, other, clearanceMm)) return false;
	return true;
}
