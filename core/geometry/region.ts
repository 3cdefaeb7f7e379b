import {
	areaPathsD,
	differenceD,
	EndType,
	FillRule,
	inflatePathsD,
	intersectD,
	JoinType,
	type PathsD,
	ramerDouglasPeuckerD,
	unionD,
} from "clipper2-ts";

/** A point of the plan, mm; y grows upwards, away from the person at the bench. */
export interface Point {
	x: number;
	y: number;
}
/** A closed outline without a repeated last point. */
export type Ring = readonly Point[];
/** Outer rings counter-clockwise, holes clockwise. */
export type Region = readonly Ring[];

/** Decimal places of a millimetre that overlay keeps: 0.1 µm. */
const PRECISION = 4;

const paths = (region: Region) => region as unknown as PathsD;

export const intersect = (a: Region, b: Region): Region => intersectD(paths(a), paths(b), FillRule.NonZero, PRECISION);
export const subtract = (a: Region, b: Region): Region => differenceD(paths(a), paths(b), FillRule.NonZero, PRECISION);
export const unite = (regions: readonly Region[]): Region =>
	regions.length === 0
		? []
		: unionD(
				regions.flatMap((region) => [...paths(region)]),
				[],
				FillRule.NonZero,
				PRECISION,
			);

/** Grows (or, negative, shrinks) a region by `mm` with round corners, true to `toleranceMm`. */
export const offset = (region: Region, mm: number, toleranceMm = 0.01): Region =>
	mm === 0 ? region : inflatePathsD(paths(region), mm, JoinType.Round, EndType.Polygon, 2, PRECISION, toleranceMm);

/** What a line of some width covers: a stringer along its path, mm. Ends are cut square. */
export const alongPath = (points: readonly Point[], widthMm: number): Region =>
	inflatePathsD([points as unknown as PathsD[number]], widthMm / 2, JoinType.Round, EndType.Butt, 2, PRECISION, 0.01);

/** Area in mm²; holes count negative. */
export const areaMm2 = (region: Region): number => areaPathsD(paths(region));

export function perimeterMm(region: Region): number {
	let sum = 0;
	for (const ring of region) {
		ring.forEach((a, i) => {
			const b = ring[(i + 1) % ring.length] as Point;
			sum += Math.hypot(b.x - a.x, b.y - a.y);
		});
	}
	return sum;
}

/** Centre of area by the shoelace sums; undefined for a region without area. */
export function centroid(region: Region): Point | undefined {
	let [twice, x, y] = [0, 0, 0];
	for (const ring of region) {
		ring.forEach((a, i) => {
			const b = ring[(i + 1) % ring.length] as Point;
			const cross = a.x * b.y - b.x * a.y;
			twice += cross;
			x += (a.x + b.x) * cross;
			y += (a.y + b.y) * cross;
		});
	}
	return twice === 0 ? undefined : { x: x / (3 * twice), y: y / (3 * twice) };
}

/**
 * The ring with fewer points, none of those left out further than `mm` from it. It is thinned in two halves, for the line
 * between equal ends has no direction. Source: Ramer 1972, Douglas & Peucker 1973.
 */
export function thinned(ring: Ring, mm: number): Ring {
	const [start] = ring;
	if (!start || ring.length < 4) return ring;
	const away = ({ x, y }: Point) => Math.hypot(x - start.x, y - start.y);
	const far = ring.reduce((best, point, i) => (away(point) > away(ring[best] as Point) ? i : best), 0);
	const half = (points: Ring) => ramerDouglasPeuckerD(points as unknown as PathsD[number], mm).slice(0, -1);
	return [...half(ring.slice(0, far + 1)), ...half([...ring.slice(far), start])];
}
