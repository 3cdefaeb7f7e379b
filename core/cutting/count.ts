import { boxOf, type CutShape } from "../geometry/shape";
import { groupBy } from "../group-by";
import type { KitPart } from "../stack/kit";

/** One line of a cut list: so many of one cut from one glass. Lengths mm. */
export interface CutLine {
	/** Same cut, same glass → same key, also after parts were renamed or moved. */
	key: string;
	glassId: string;
	shape: CutShape;
	/** Width of the strip it is scored from: the shorter side. */
	stripMm: number;
	perKit: number;
	needed: number;
	spares: number;
}

/** Small parts get lost and broken; each kind gets at least two. Common practice, no source. */
export const SPARE_SHARE = 0.1;
export const LEAST_SPARES = 2;
const LARGE_MM = 100;

/** Everything to cut for `kits` kits of one design with spares, per glass: widest strip first, then longest cut. */
export function cutListOf(parts: readonly KitPart[], kits: number): CutLine[] {
	return [...groupBy(parts, cutKey).entries()]
		.map(([key, same]) => {
			const { shape, glassId } = same[0] as KitPart;
			const needed = same.length * kits;
			const [w, h] = boxOf(shape);
			return {
				key,
				glassId,
				shape,
				stripMm: Math.min(w, h),
				perKit: same.length,
				needed,
				spares: sparesFor(shape, needed),
			};
		})
		.sort(
			(a, b) => a.glassId.localeCompare(b.glassId) || b.stripMm - a.stripMm || longSide(b.shape) - longSide(a.shape),
		);
}

/** About a tenth more and at least two of each kind; one is enough of a part as large as the piece itself. */
export function sparesFor(shape: CutShape, needed: number): number {
	if (needed === 0) return 0;
	if (Math.min(...boxOf(shape)) >= LARGE_MM) return 1;
	return Math.max(LEAST_SPARES, Math.ceil(needed * SPARE_SHARE));
}

function cutKey({ shape, glassId }: KitPart): string {
	const [w, h] = boxOf(shape).map((mm) => Number(mm.toFixed(2)));
	const name = shape.kind === "triangle" || shape.kind === "circle" ? shape.kind : "rectangle";
	const sides = name === "rectangle" ? [w as number, h as number].sort((a, b) => b - a) : [w, h];
	return `${glassId}:${name}:${sides.join("x")}`;
}

const longSide = (shape: CutShape) => Math.max(...boxOf(shape));
