import { boundsOf } from "../../geometry/bounds";
import type { Point, Ring } from "../../geometry/region";

/** Where one of the outlines of a nest lies in its blank: its middle from the blank's lower left corner, mm. */
export interface NestPlace {
	xMm: number;
	yMm: number;
	/** Turned by half against the others. */
	half: boolean;
}

/** Equal outlines laid into each other in one blank, to be sawn apart along their edges. */
export interface Nest {
	/** The middle of its box at the origin, mm; not turned. */
	outline: Point[];
	/** All of them are turned so far, counter-clockwise. */
	turnDeg: number;
	places: NestPlace[];
}

export interface NestedBlank {
	widthMm: number;
	heightMm: number;
	nest: Nest;
}

/** At most so many outlines in one blank: larger ones fit nowhere. */
const MOST = 6;
const TURNS_DEG = Array.from({ length: 24 }, (_, i) => i * 7.5);
/** The second outline of a row is tried so many steps up and down. */
const STEPS = 8;
const LINE_MM = 0.5;
/** A larger nest has to save so much of the glass of the best smaller one. */
const WORTH = 0.985;

/**
 * Outlines side by side in a row, every other one turned by half and moved up or down, so close that a blade goes between: the row that
 * takes the least glass for each. Streaks stay as they are, for half a turn leaves them where they run.
 * @param most so many at most, for no more are wanted; @param room the longest blank there is glass for, mm
 */
export function nestOf(
	outline: Ring,
	{ kerfMm, grindMm, mayTurn }: { kerfMm: number; grindMm: number; mayTurn: boolean },
	most: number,
	room: { widthMm: number; heightMm: number },
): NestedBlank | undefined {
	const fits = (w: number, h: number) =>
		(w <= room.widthMm && h <= room.heightMm) || (mayTurn && h <= room.widthMm && w <= room.heightMm);
	const ofCount: ((NestedBlank & { area: number }) | undefined)[] = [];
	for (const turnDeg of mayTurn ? TURNS_DEG : [0]) {
		const row = new Row(turned(outline, turnDeg), grindMm + kerfMm / 2, kerfMm);
		for (let count = 1; count <= Math.min(MOST, most); count++)
			for (const dy of count === 1 ? [0] : row.shifts) {
				const { widthMm, heightMm, places } = row.lay(count, dy);
				const area = (widthMm * heightMm) / count;
				const before = ofCount[count];
				if (!fits(widthMm, heightMm) || (before && area >= before.area - 1e-9)) continue;
				ofCount[count] = { widthMm, heightMm, area, nest: { outline: [...outline], turnDeg, places } };
			}
	}
	const best = ofCount.reduce(
		(least, one) => (one && (!least || one.area < least.area * WORTH) ? one : least),
		undefined,
	);
	return best && { widthMm: best.widthMm, heightMm: best.heightMm, nest: best.nest };
}

/** One outline of a nest where it lies in its blank, mm. */
export const laidOutline = ({ outline, turnDeg }: Nest, { xMm, yMm, half }: NestPlace): Ring =>
	turned(outline, turnDeg + (half ? 180 : 0)).map(({ x, y }) => ({ x: x + xMm, y: y + yMm }));

const turned = (ring: Ring, deg: number): Ring => {
	const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
	return ring.map(({ x, y }) => ({ x: x * c - y * s, y: x * s + y * c }));
};

/** How far an outline reaches to the left and right on lines of equal height, from its own lowest line up. */
interface Profile {
	/** Index of the lowest line; a line's height is its index × {@link LINE_MM}. */
	from: number;
	left: Float64Array;
	right: Float64Array;
	/** Over all lines. */
	west: number;
	east: number;
}

/** Rows of one outline as it is turned: it and its half turn, grown by what is ground away and half a blade. */
class Row {
	private readonly profiles: [Profile, Profile];
	private readonly lowMm: number;
	private readonly highMm: number;
	private readonly gaps = new Map<number, number>();
	/** Heights by which every other one may be moved, mm: whole lines. */
	readonly shifts: readonly number[];

	constructor(
		outline: Ring,
		grownMm: number,
		private readonly kerfMm: number,
	) {
		const bounds = boundsOf([outline]);
		[this.lowMm, this.highMm] = [bounds.minY - grownMm, bounds.maxY + grownMm];
		const step = (this.highMm - this.lowMm) / STEPS / LINE_MM;
		this.shifts = Array.from({ length: 2 * STEPS + 1 }, (_, i) => LINE_MM * Math.round((i - STEPS) * step));
		const half = outline.map(({ x, y }) => ({ x: -x, y: -y }));
		this.profiles = [grown(profileOf(outline), grownMm), grown(profileOf(half), grownMm)];
	}

	lay(count: number, dyMm: number): { widthMm: number; heightMm: number; places: NestPlace[] } {
		const xs: number[] = [];
		for (let i = 0; i < count; i++) {
			let x = 0;
			for (let k = 0; k < i; k++) x = Math.max(x, (xs[k] ?? 0) + this.gap(k % 2, i % 2, ((i % 2) - (k % 2)) * dyMm));
			xs.push(x);
		}
		const edges = xs.map((x, i) => {
			const { west, east } = this.profiles[(i % 2) as 0 | 1];
			return [x + west, x + east] as const;
		});
		const west = down(Math.min(...edges.map(([from]) => from)));
		const east = Math.max(...edges.map(([, to]) => to));
		// The half turn reaches as far up as the outline reaches down.
		const lows = xs.map((_, i) => (i % 2 === 0 ? this.lowMm : dyMm - this.highMm));
		const highs = xs.map((_, i) => (i % 2 === 0 ? this.highMm : dyMm - this.lowMm));
		const [south, north] = [down(Math.min(...lows)), Math.max(...highs)];
		// Half a blade round the row is glass that a cut of the blank itself takes.
		const edge = this.kerfMm / 2;
		return {
			widthMm: up(east - west - this.kerfMm),
			heightMm: up(north - south - this.kerfMm),
			places: xs.map((x, i) => ({
				xMm: near(x - west - edge),
				yMm: near((i % 2 === 0 ? 0 : dyMm) - south - edge),
				half: i % 2 === 1,
			})),
		};
	}

	/** How far to the right of one outline another has to lie, whose origin is higher by `dyMm`. */
	private gap(one: number, other: number, dyMm: number): number {
		const key = dyMm * 4 + one * 2 + other;
		const known = this.gaps.get(key);
		if (known !== undefined) return known;
		const [a, b] = [this.profiles[one as 0 | 1], this.profiles[other as 0 | 1]];
		const lines = Math.round(dyMm / LINE_MM);
		let gap = 0;
		const from = Math.max(a.from, b.from + lines);
		const to = Math.min(a.from + a.right.length, b.from + lines + b.left.length);
		for (let line = from; line < to; line++)
			gap = Math.max(gap, (a.right[line - a.from] ?? 0) - (b.left[line - lines - b.from] ?? 0));
		const whole = up(gap);
		this.gaps.set(key, whole);
		return whole;
	}
}

/** Extents over bands, each with the lines above and below it: never less than the outline's own. */
function profileOf(ring: readonly Point[]): Profile {
	const ys = ring.map(({ y }) => y);
	const from = Math.floor(Math.min(...ys) / LINE_MM) - 1;
	const count = Math.ceil(Math.max(...ys) / LINE_MM) + 1 - from;
	const left = new Float64Array(count).fill(Number.POSITIVE_INFINITY);
	const right = new Float64Array(count).fill(Number.NEGATIVE_INFINITY);
	const reach = (line: number, x: number) => {
		const at = line - from;
		if (at < 0 || at >= count) return;
		left[at] = Math.min(left[at] ?? x, x);
		right[at] = Math.max(right[at] ?? x, x);
	};
	ring.forEach((a, i) => {
		const b = ring[(i + 1) % ring.length] as Point;
		const [low, high] = a.y <= b.y ? [a, b] : [b, a];
		const [first, last] = [Math.floor(low.y / LINE_MM), Math.floor(high.y / LINE_MM)];
		for (let line = first; line <= last; line++)
			for (const y of [Math.max(low.y, line * LINE_MM), Math.min(high.y, (line + 1) * LINE_MM)]) {
				const share = high.y > low.y ? (y - low.y) / (high.y - low.y) : 0;
				reach(line, low.x + (high.x - low.x) * share);
				if (high.y === low.y) reach(line, high.x);
			}
	});
	const xs = ring.map(({ x }) => x);
	return { from, left, right, west: Math.min(...xs), east: Math.max(...xs) };
}

/** Grown all round by some mm: each band reaches as far as a disc on any band near it does, never less. */
function grown({ from, left, right, west, east }: Profile, byMm: number): Profile {
	const more = Math.ceil(byMm / LINE_MM) + 1;
	const count = left.length + 2 * more;
	const wide: Profile = {
		from: from - more,
		left: new Float64Array(count).fill(Number.POSITIVE_INFINITY),
		right: new Float64Array(count).fill(Number.NEGATIVE_INFINITY),
		west: west - byMm,
		east: east + byMm,
	};
	for (let k = -more; k <= more; k++) {
		// Two bands are nearest at their facing edges.
		const apart = Math.max(0, Math.abs(k) - 1) * LINE_MM;
		if (apart > byMm) continue;
		const reach = Math.sqrt(byMm ** 2 - apart ** 2);
		for (let i = 0; i < left.length; i++) {
			const at = i + more + k;
			wide.left[at] = Math.min(wide.left[at] as number, (left[i] as number) - reach);
			wide.right[at] = Math.max(wide.right[at] as number, (right[i] as number) + reach);
		}
	}
	return wide;
}

const up = (mm: number): number => Math.ceil(mm * 100 - 1e-6) / 100;
const down = (mm: number): number => Math.floor(mm * 100 + 1e-6) / 100;
const near = (mm: number): number => Math.round(mm * 100) / 100;
