import { areApart, type LaidTurned } from "./apart";
import { CELL_MM } from "./mask";
import type { Found, PlaceTask } from "./places";
import { roomAt } from "./room";

/** Parts of a cell, coarse ones first. */
const STEPS_MM = [CELL_MM / 2, CELL_MM / 4, CELL_MM / 8];

/** Where a piece comes to lie, mm, and the cell at which its mask is taken. */
interface Slid {
	xMm: number;
	yMm: number;
	row: number;
	col: number;
}

/**
 * A place on the grid, moved off it by less than a cell: downwards and to the left, by the rule of the middle towards that, as far as
 * exact outlines let it. So the grid costs no glass. The mask is taken at the next cell on that side: what comes later is checked exactly.
 */
export function slid({ template: { turned }, row, col }: Found, { shelf, there, clearanceMm, rule }: PlaceTask): Slid {
	const at = { turned, xMm: col * CELL_MM, yMm: row * CELL_MM };
	const near = there.filter((other) => boxesWithin(at, other, clearanceMm + CELL_MM));
	const mayLie = () => {
		const room = roomAt(shelf, turned.hull, at.yMm);
		return (
			room !== undefined &&
			at.xMm >= room[0] &&
			at.xMm <= room[1] &&
			near.every((other) => areApart(at, other, clearanceMm))
		);
	};
	const isMiddle = rule.kind === "middle";
	const right = isMiddle && at.xMm + (turned.minX + turned.maxX) / 2 < shelf.widthMm / 2 ? 1 : -1;
	const up = isMiddle && at.yMm + (turned.minY + turned.maxY) / 2 < shelf.heightMm / 2 ? 1 : -1;
	for (const mm of STEPS_MM) {
		at.yMm += up * mm;
		if (!mayLie()) at.yMm -= up * mm;
		at.xMm += right * mm;
		if (!mayLie()) at.xMm -= right * mm;
	}
	const cell = (mm: number, to: number) => (to > 0 ? Math.ceil(mm / CELL_MM) : Math.floor(mm / CELL_MM));
	return { xMm: at.xMm, yMm: at.yMm, row: cell(at.yMm, up), col: cell(at.xMm, right) };
}

function boxesWithin(a: LaidTurned, b: LaidTurned, mm: number): boolean {
	const [s, t, dx, dy] = [a.turned, b.turned, b.xMm - a.xMm, b.yMm - a.yMm];
	const isBeside = dx + t.minX - s.maxX < mm && s.minX - dx - t.maxX < mm;
	return isBeside && dy + t.minY - s.maxY < mm && s.minY - dy - t.maxY < mm;
}
