import type { Shelf } from "../shelf";
import type { Form, Turned } from "./form";
import { CELL_MM, type Mask, maskOf } from "./mask";
import { roomAt } from "./room";

/** A form at one angle on one shelf: the cells it takes, and from which to which column its origin may lie in every row. */
export interface Template {
	key: string;
	turned: Turned;
	mask: Mask;
	/** Rows from here up to, not with, here have room. */
	fromRow: number;
	toRow: number;
	/** By the row from `fromRow` on; the second is less where there is no room. */
	fromCol: Int16Array;
	toCol: Int16Array;
}

/** Templates of one shelf and clearance: made once, used by every packing. */
export class Templates {
	private readonly known = new Map<string, Template>();
	constructor(
		readonly shelf: Shelf,
		readonly clearanceMm: number,
	) {}

	maskOf = (turned: Turned): Mask => maskOf(turned, this.clearanceMm / 2 + CELL_MM / 2);

	of(form: Form, turned: Turned): Template {
		const key = `${turned.turnDeg} ${form.key}`;
		const known = this.known.get(key);
		if (known) return known;
		const made = templateOf(key, turned, this.shelf, this.maskOf(turned));
		this.known.set(key, made);
		return made;
	}
}

function templateOf(key: string, turned: Turned, shelf: Shelf, mask: Mask): Template {
	const fromRow = Math.ceil((shelf.marginMm - turned.minY) / CELL_MM - 1e-9);
	const toRow = Math.floor((shelf.heightMm - shelf.marginMm - turned.maxY) / CELL_MM + 1e-9) + 1;
	const rows = Math.max(0, toRow - fromRow);
	const [fromCol, toCol] = [new Int16Array(rows), new Int16Array(rows).fill(-1)];
	for (let i = 0; i < rows; i++) {
		const room = roomAt(shelf, turned.hull, (fromRow + i) * CELL_MM);
		if (!room) continue;
		fromCol[i] = Math.ceil(room[0] / CELL_MM - 1e-9);
		toCol[i] = Math.floor(room[1] / CELL_MM + 1e-9);
	}
	return { key, turned, mask, fromRow, toRow, fromCol, toCol };
}
