import type { Shelf } from "../shelf";
import type { Form, Turned } from "./form";
import { Grid } from "./grid";
import { CELL_MM, type Mask, maskOf } from "./mask";
import { roomAt } from "./room";

/** A form at one angle on one shelf: the cells it takes, and from which to which column its origin may lie in every row. */
export interface Template {
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
	private readonly known = new Map<string, (Template | undefined)[]>();
	/** How far a mask reaches over its glass, mm. */
	readonly reachMm: number;
	/** The empty shelf. */
	readonly ground: Grid;

	constructor(
		readonly shelf: Shelf,
		readonly clearanceMm: number,
		/** Masks that are known already, of another shelf with the same clearance. */
		private readonly masks = new Map<string, Mask>(),
	) {
		this.reachMm = clearanceMm / 2 + CELL_MM / 2;
		this.ground = Grid.of(shelf, this.reachMm);
	}

	maskOf = (turned: Turned): Mask => maskOf(turned, this.reachMm);

	/** The same clearance on a shelf whose margin is wider by so much. */
	within = (byMm: number): Templates =>
		new Templates({ ...this.shelf, marginMm: this.shelf.marginMm + byMm }, this.clearanceMm, this.masks);

	/** Of all a form's angles; each is made when it is first asked for. */
	private allOf(form: Form): (Template | undefined)[] {
		const known = this.known.get(form.key);
		if (known) return known;
		const made = new Array<Template | undefined>(form.turns.length);
		this.known.set(form.key, made);
		return made;
	}

	of(form: Form, angle: number): Template {
		const all = this.allOf(form);
		const its = all[angle] ?? this.made(form, angle);
		all[angle] = its;
		return its;
	}

	private made(form: Form, angle: number): Template {
		const turned = form.turns[angle] as Turned;
		const key = `${turned.turnDeg} ${form.key}`;
		const mask = this.masks.get(key) ?? this.maskOf(turned);
		this.masks.set(key, mask);
		return templateOf(turned, this.shelf, mask);
	}
}

function templateOf(turned: Turned, shelf: Shelf, mask: Mask): Template {
	const fromRow = Math.ceil((shelf.marginMm - turned.minY) / CELL_MM - 1e-9);
	const toRow = Math.floor((shelf.heightMm - shelf.marginMm - turned.maxY) / CELL_MM + 1e-9) + 1;
	const rows = Math.max(0, toRow - fromRow);
	return { turned, mask, fromRow, toRow, fromCol: new Int16Array(rows).fill(UNKNOWN), toCol: new Int16Array(rows) };
}

const UNKNOWN = -32_768;

/** From which to which column the origin of a template may lie in a row; the second is less where there is no room. Looked up once. */
export function columnsAt({ turned, fromRow, fromCol, toCol }: Template, shelf: Shelf, row: number): void {
	const i = row - fromRow;
	if (fromCol[i] !== UNKNOWN) return;
	const room = roomAt(shelf, turned.hull, row * CELL_MM);
	fromCol[i] = room ? Math.ceil(room[0] / CELL_MM - 1e-9) : 0;
	toCol[i] = room ? Math.floor(room[1] / CELL_MM + 1e-9) : -1;
}
