import { insetAt, type Shelf } from "../shelf";
import { CELL_MM, type Mask } from "./mask";
import { roomIn } from "./squares";

/** Of the runs of a mask every so many is compared with its row: most that stand in the way are taller. */
const EVERY = 4;

/**
 * A shelf in cells of 2 mm. Of each cell it knows the last taken one in its row up to there and the next taken one from there on, so
 * that all that is taken in a mask's way is passed in one leap; of each row its longest free stretch, so that most rows are passed unseen.
 */
export class Grid {
	/** Rows in which something was taken since it was last looked for room. */
	private low = 0;
	private high: number;

	private constructor(
		private readonly cols: number,
		private readonly rows: number,
		/** Cells beyond the shelf on every side: a mask reaches over its edge by no more, for its glass stays on the shelf. */
		private readonly rim: number,
		private readonly free = new Uint8Array(rows * cols).fill(1),
		private readonly last = new Int16Array(rows * cols).fill(-1),
		private readonly next = new Int16Array(rows * cols).fill(cols),
		/** The largest free square with its lower left in a cell. */
		private readonly sides = new Int16Array(rows * cols),
		/** Of each row: its longest free stretch and the largest square that has its lowest row there, or had when it was last looked. */
		private readonly longest = new Int16Array(rows),
		private readonly squares = new Int16Array(rows),
	) {
		this.high = rows - 1;
	}

	/** An empty shelf; what no mask with that reach ever covers counts as taken. */
	static of(shelf: Shelf, reachMm: number): Grid {
		const rim = Math.ceil(reachMm / CELL_MM) + 1;
		const cols = Math.ceil(shelf.widthMm / CELL_MM) + 2 * rim;
		const rows = Math.ceil(shelf.heightMm / CELL_MM) + 2 * rim;
		const grid = new Grid(cols, rows, rim);
		for (let row = 0; row < rows; row++) {
			const y = (row - rim + 0.5) * CELL_MM;
			const inset = insetAt(shelf, nearer(shelf.heightMm / 2, y, reachMm)) - reachMm;
			const free = Math.max(0, Math.floor(inset / CELL_MM) + rim);
			if (free > 0) grid.takeRun(row, 0, Math.min(cols, free));
			if (free > 0) grid.takeRun(row, Math.max(0, cols - free), cols);
		}
		grid.lookForRoom();
		return grid;
	}

	copy(): Grid {
		const { cols, rows, rim, free, last, next, sides, longest, squares } = this;
		const grid = new Grid(
			...([cols, rows, rim, free.slice(), last.slice(), next.slice()] as const),
			...([sides.slice(), longest.slice(), squares.slice()] as const),
		);
		[grid.low, grid.high] = [this.low, this.high];
		return grid;
	}

	/** Looks anew for room, which only became less: from the highest row in which something was taken down to where nothing changes. */
	lookForRoom(): void {
		for (let row = this.high; row >= 0; row--) {
			const { stretch, square, isSame } = roomIn(this.free, this.sides, this.cols, row);
			this.longest[row] = stretch;
			this.squares[row] = square;
			if (isSame && row < this.low) break;
		}
		[this.low, this.high] = [this.rows, -1];
	}

	/**
	 * How many rows up from `row` a mask finds no column for sure: 0 where it may find one. Somewhere under it a row has no free stretch
	 * as long as the run over it, nor as long as those that come over it next.
	 */
	rowsFull({ upwards, widths, squareSide, squareRow }: Mask, row: number): number {
		const { longest, rim, squares } = this;
		let low = row + rim + squareRow;
		while (low < squares.length && (squares[low] as number) < squareSide) low++;
		if (low > row + rim + squareRow) return low - row - rim - squareRow;
		for (let i = upwards.length - 1; i >= 0; i -= EVERY) {
			const free = longest[row + rim + (upwards[i] as number)] as number;
			if (free >= (widths[i] as number)) continue;
			let least = i;
			while (least > 0 && (widths[least - 1] as number) > free) least--;
			return (upwards[i] as number) - (upwards[least] as number) + 1;
		}
		return 0;
	}

	/** The first column from `col` to `most` where a mask with its origin at (col, row) takes nothing taken; undefined where there is none. */
	freeFrom({ rows, from, to }: Mask, row: number, col: number, most: number): number | undefined {
		const { cols, last, rim } = this;
		const n = rows.length;
		const base = (row + rim) * cols - 1;
		const end = most + rim;
		let at = col + rim;
		// Every run has to be clear at one column: after a leap all of them are looked at again, from the next one on.
		for (let i = 0, clear = 0; clear < n; i = i + 1 === n ? 0 : i + 1) {
			const taken = last[base + (rows[i] as number) * cols + at + (to[i] as number)] as number;
			if (taken < at + (from[i] as number)) clear++;
			else {
				at = taken - (from[i] as number) + 1;
				if (at > end) return undefined;
				clear = 0;
			}
		}
		return at - rim;
	}

	/** The same leftwards: the last column from `col` down to `least`. */
	freeBefore({ rows, from, to }: Mask, row: number, col: number, least: number): number | undefined {
		const { cols, next, rim } = this;
		const n = rows.length;
		const base = (row + rim) * cols;
		const end = least + rim;
		let at = col + rim;
		for (let i = 0, clear = 0; clear < n; i = i + 1 === n ? 0 : i + 1) {
			const taken = next[base + (rows[i] as number) * cols + at + (from[i] as number)] as number;
			if (taken >= at + (to[i] as number)) clear++;
			else {
				at = taken - (to[i] as number);
				if (at < end) return undefined;
				clear = 0;
			}
		}
		return at - rim;
	}

	take({ rows, from, to }: Mask, row: number, col: number): void {
		for (let i = 0; i < rows.length; i++) {
			const r = row + this.rim + (rows[i] as number);
			if (r < 0 || r >= this.rows) continue;
			const first = Math.max(0, col + this.rim + (from[i] as number));
			const end = Math.min(this.cols, col + this.rim + (to[i] as number));
			if (first < end) this.takeRun(r, first, end);
			if (r < this.low) this.low = r;
			if (r > this.high) this.high = r;
		}
	}

	private takeRun(r: number, first: number, end: number): void {
		const { cols, free, last, next } = this;
		const base = r * cols;
		for (let c = first; c < end; c++) {
			last[base + c] = next[base + c] = c;
			free[base + c] = 0;
		}
		for (let c = end; c < cols && (last[base + c] as number) < end - 1; c++) last[base + c] = end - 1;
		for (let c = first - 1; c >= 0 && (next[base + c] as number) > first; c--) next[base + c] = first;
	}
}

/** From `at` towards `middle` by up to `by`. */
const nearer = (middle: number, at: number, by: number): number =>
	at < middle ? Math.min(middle, at + by) : Math.max(middle, at - by);
