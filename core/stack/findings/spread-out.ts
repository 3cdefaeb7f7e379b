import type { Point } from "../../geometry/region";
import type { Change } from "../../kit/change";
import { tidyMm } from "../../units/tidy";
import type { Lain } from "../lay";
import { ids, middle } from "./words";

/** Two things that lie too near each other: by how much, mm, and in which direction they have to part (length 1). */
export interface TooNear {
	a: readonly Lain[];
	b: readonly Lain[];
	needMm: number;
	way: Point;
}

/** Parts further out than this share beyond where they lay would tear the plan apart. */
const WIDEST = 3;

export interface Spreading {
	centre: Point;
	/** Every thing goes this many times as far from the centre. */
	times: number;
	changes: Change[];
}

/**
 * Draws things apart from their common middle, all by the same share, until each pair that is too near has its room. Undefined
 * where two lie in one place, or so that no such share helps.
 * @param things parts that move as one
 */
export function spreadOut(things: readonly (readonly Lain[])[], pairs: readonly TooNear[]): Spreading | undefined {
	const centre = meanOf(things.map(centreOf));
	const shares = pairs.map(({ a, b, needMm, way }) => {
		const [from, to] = [centreOf(a), centreOf(b)];
		return needMm / Math.abs((to.x - from.x) * way.x + (to.y - from.y) * way.y);
	});
	const times = 1 + Math.max(0, ...shares);
	if (!(times < WIDEST)) return undefined;
	const changes = things.flatMap((parts): Change[] => {
		const at = centreOf(parts);
		const byMm = { x: tidyMm((times - 1) * (at.x - centre.x), 0.1), y: tidyMm((times - 1) * (at.y - centre.y), 0.1) };
		return byMm.x === 0 && byMm.y === 0 ? [] : [{ do: "move", partIds: ids(parts), byMm }];
	});
	return { centre, times, changes };
}

export const centreOf = (parts: readonly Lain[]): Point => meanOf(parts.map(middle));

const meanOf = (points: readonly Point[]): Point => ({
	x: points.reduce((sum, { x }) => sum + x, 0) / (points.length || 1),
	y: points.reduce((sum, { y }) => sum + y, 0) / (points.length || 1),
});
