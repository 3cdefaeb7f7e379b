/** What is free along one row of cells. */
export interface RowRoom {
	/** Its longest free stretch, cells. */
	stretch: number;
	/** The side of the largest free square that has its lowest row here, cells. */
	square: number;
	/** Nothing differs from when it was last looked at. */
	isSame: boolean;
}

/**
 * Looks along one row and writes the side of the largest free square with its lower left in each cell. Rows go from the top: a square is
 * one longer than the least of the three beside and above it.
 * @param free by cell, row after row: 1 where it is
 * @param sides by cell; of the rows above they are right
 */
export function roomIn(free: Uint8Array, sides: Int16Array, cols: number, row: number): RowRoom {
	const base = row * cols;
	const hasAbove = base + cols < free.length;
	let [stretch, square, run, slant, beside] = [0, 0, 0, 0, 0];
	let isSame = true;
	for (let col = cols - 1; col >= 0; col--) {
		const over = hasAbove ? (sides[base + cols + col] as number) : 0;
		const isFree = free[base + col] === 1;
		run = isFree ? run + 1 : 0;
		beside = isFree ? 1 + Math.min(over, slant, beside) : 0;
		if (run > stretch) stretch = run;
		if (beside > square) square = beside;
		if (sides[base + col] !== beside) {
			sides[base + col] = beside;
			isSame = false;
		}
		slant = over;
	}
	return { stretch, square, isSame };
}
