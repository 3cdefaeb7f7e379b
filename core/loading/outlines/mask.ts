import { leastOf, mostOf } from "../../extremes";
import type { Point } from "../../geometry/region";
import type { Turned } from "./form";
import { roomIn } from "./squares";

/** Side of a cell, mm. */
export const CELL_MM = 2;

/**
 * Cells that an outline takes, its origin on a corner of cells: row by row, each from `from` up to, not with, `to`,
 * in cells from the origin.
 */
export interface Mask {
	rows: Int16Array;
	from: Int16Array;
	to: Int16Array;
	/** The same rows from the lowest up, and how long each of their runs is. */
	upwards: Int16Array;
	widths: Int16Array;
	/** Side of the largest square in it, and its lowest row, in cells. */
	squareSide: number;
	squareRow: number;
}

/**
 * Cells whose middle lies within `reachMm` of the glass. Two masks that share no cell keep about twice that, less a cell, between
 * their glass; what is finished is checked exactly.
 */
export function maskOf({ ring, minX, minY, maxX, maxY }: Turned, reachMm: number): Mask {
	const rows: number[] = [];
	const from: number[] = [];
	const to: number[] = [];
	const [left, right] = [Math.floor((minX - reachMm) / CELL_MM), Math.ceil((maxX + reachMm) / CELL_MM)];
	for (let row = Math.floor((minY - reachMm) / CELL_MM); row < Math.ceil((maxY + reachMm) / CELL_MM); row++) {
		const y = (row + 0.5) * CELL_MM;
		for (const [a, b] of runsAt(ring, y, reachMm)) {
			const first = Math.max(left, Math.ceil(a / CELL_MM - 0.5));
			const end = Math.min(right, Math.floor(b / CELL_MM - 0.5) + 1);
			if (first >= end) continue;
			rows.push(row);
			from.push(first);
			to.push(end);
		}
	}
	return masked(rows, from, to);
}

/** Runs next to each other stop a mask nearly alike: one far away is asked next, about a golden section of all farther on. */
function masked(rows: readonly number[], from: readonly number[], to: readonly number[]): Mask {
	const n = rows.length;
	let stride = Math.max(1, Math.round(n * 0.618));
	while (greatestDivisor(stride, n) > 1) stride++;
	const order = Array.from({ length: n }, (_, i) => (i * stride) % n);
	const mixed = (values: readonly number[]) => Int16Array.from(order, (i) => values[i] as number);
	return {
		...{ rows: mixed(rows), from: mixed(from), to: mixed(to) },
		...{ upwards: Int16Array.from(rows), widths: Int16Array.from(to, (end, i) => end - (from[i] as number)) },
		...largestSquare(rows, from, to),
	};
}

function largestSquare(rows: readonly number[], from: readonly number[], to: readonly number[]) {
	const [left, right] = [leastOf(from), mostOf(to)];
	const [low, high] = [leastOf(rows), mostOf(rows)];
	const cols = Math.max(0, right - left);
	const cells = new Uint8Array(Math.max(0, high - low + 1) * cols);
	rows.forEach((row, i) => {
		cells.fill(1, (row - low) * cols + (from[i] as number) - left, (row - low) * cols + (to[i] as number) - left);
	});
	const sides = new Int16Array(cells.length);
	let [squareSide, squareRow] = [0, low];
	for (let row = high - low; row >= 0; row--) {
		const { square } = roomIn(cells, sides, cols, row);
		if (square > squareSide) [squareSide, squareRow] = [square, low + row];
	}
	return { squareSide, squareRow };
}

const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b));

/** From where to where a line at height `y` is within reach of an outline: of its inside, or of one of its edges. */
function runsAt(ring: readonly Point[], y: number, reach: number): [number, number][] {
	const found: [number, number][] = [];
	const crossings: number[] = [];
	for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
		const [a, b] = [ring[j] as Point, ring[i] as Point];
		if (a.y > y !== b.y > y) crossings.push(a.x + ((y - a.y) * (b.x - a.x)) / (b.y - a.y));
		const near = nearEdge(a, b, y, reach);
		if (near) found.push(near);
	}
	crossings.sort((a, b) => a - b);
	for (let i = 0; i + 1 < crossings.length; i += 2) found.push([crossings[i] as number, crossings[i + 1] as number]);
	return joined(found);
}

/** The part of a line at height `y` within `reach` of an edge: of the discs round its ends and the band along it. */
function nearEdge(a: Point, b: Point, y: number, reach: number): [number, number] | undefined {
	let [from, to] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
	const take = (x0: number, x1: number) => {
		from = Math.min(from, x0);
		to = Math.max(to, x1);
	};
	for (const end of [a, b]) {
		const half2 = reach * reach - (y - end.y) ** 2;
		if (half2 >= 0) take(end.x - Math.sqrt(half2), end.x + Math.sqrt(half2));
	}
	const [dx, dy] = [b.x - a.x, b.y - a.y];
	const length = Math.hypot(dx, dy);
	if (length > 1e-9) {
		// The band's four corners: where the line crosses its sides.
		const [nx, ny] = [(-dy / length) * reach, (dx / length) * reach];
		const corners = [
			{ x: a.x + nx, y: a.y + ny },
			{ x: b.x + nx, y: b.y + ny },
			{ x: b.x - nx, y: b.y - ny },
			{ x: a.x - nx, y: a.y - ny },
		];
		for (let i = 0, j = 3; i < 4; j = i++) {
			const [p, q] = [corners[j] as Point, corners[i] as Point];
			if (p.y > y !== q.y > y) {
				const x = p.x + ((y - p.y) * (q.x - p.x)) / (q.y - p.y);
				take(x, x);
			}
		}
	}
	return from <= to ? [from, to] : undefined;
}

function joined(runs: [number, number][]): [number, number][] {
	runs.sort((a, b) => a[0] - b[0]);
	const all: [number, number][] = [];
	for (const run of runs) {
		const last = all[all.length - 1];
		if (last && run[0] <= last[1] + CELL_MM) last[1] = Math.max(last[1], run[1]);
		else all.push([...run]);
	}
	return all;
}
