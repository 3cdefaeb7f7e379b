import type { Shelf } from "../shelf";
import { CELL_MM, type Mask } from "./mask";

/** The shelf in cells: for each, the last taken one in its row up to there. All that is taken in a mask's way is passed in one leap. */
export class Grid {
	private readonly cols: number;
	private readonly rows: number;
	private readonly last: Int16Array;

	constructor({ widthMm, heightMm }: Shelf) {
		this.cols = Math.ceil(widthMm / CELL_MM);
		this.rows = Math.ceil(heightMm / CELL_MM);
		this.last = new Int16Array(this.rows * this.cols).fill(-1);
	}

	/** The first column from `col` to `most` where a mask with its origin at (col, row) takes nothing taken; −1 where there is none. */
	freeFrom({ rows, from, to }: Mask, row: number, col: number, most: number): number {
		const { cols, last } = this;
		const n = rows.length;
		let at = col;
		// Every run has to be clear at one column: after a leap all of them are looked at again, from the one that stood in the way.
		for (let i = 0, clear = 0; clear < n; clear++) {
			const r = row + (rows[i] as number);
			if (r >= 0 && r < this.rows) {
				const end = Math.min(cols, at + (to[i] as number));
				const start = Math.max(0, at + (from[i] as number));
				if (end > 0) {
					const taken = last[r * cols + end - 1] as number;
					if (taken >= start) {
						at = taken - (from[i] as number) + 1;
						if (at > most) return -1;
						clear = -1;
						continue;
					}
				}
			}
			i = i + 1 === n ? 0 : i + 1;
		}
		return at <= most ? at : -1;
	}

	take({ rows, from, to }: Mask, row: number, col: number): void {
		const { cols, last } = this;
		for (let i = 0; i < rows.length; i++) {
			const r = row + (rows[i] as number);
			if (r < 0 || r >= this.rows) continue;
			const first = Math.max(0, col + (from[i] as number));
			const end = Math.min(cols, col + (to[i] as number));
			const base = r * cols;
			for (let c = first; c < end; c++) last[base + c] = c;
			for (let c = end; c < cols && (last[base + c] as number) < end - 1; c++) last[base + c] = end - 1;
		}
	}
}
