import type { Point, Ring } from "@core/geometry/region";
import type { UpperShelf } from "@core/kiln/record";
import type { Shelf } from "@core/loading/shelf";
import { areaPathsD, EndType, FillRule, inflatePathsD, intersectD, JoinType, type PathsD } from "clipper2-ts";

/** What lies on a shelf, by nothing but its outline and where it was said to lie. */
export interface Lies {
	id: string;
	outline: Ring;
	xMm: number;
	yMm: number;
	turnDeg: number;
}

/** Is a point on the usable shelf? By distance from its middle; an octagon is a square cut by one turned by an eighth. */
export function isOnShelf({ widthMm, heightMm, marginMm, shape }: Shelf, { x, y }: Point, eps = 1e-6): boolean {
	const [dx, dy] = [Math.abs(x - widthMm / 2), Math.abs(y - heightMm / 2)];
	if (shape === "round") return Math.hypot(dx, dy) <= widthMm / 2 - marginMm + eps;
	const isInBox = dx <= widthMm / 2 - marginMm + eps && dy <= heightMm / 2 - marginMm + eps;
	return isInBox && (shape === "rectangle" || (dx + dy) / Math.SQRT2 <= widthMm / 2 - marginMm + eps);
}

/** The outline turned and moved, by a rotation matrix of its own. */
export function liesAt({ outline, xMm, yMm, turnDeg }: Lies): Point[] {
	const a = (turnDeg / 180) * Math.PI;
	return outline.map(({ x, y }) => ({
		x: xMm + Math.cos(a) * x - Math.sin(a) * y,
		y: yMm + Math.sin(a) * x + Math.cos(a) * y,
	}));
}

/** All that is wrong with a shelf, in words: corners over its edge; outlines, each grown by half the clearance, that overlap (a library's overlay). */
export function wrongOnShelf(all: readonly Lies[], shelf: Shelf, clearanceMm: number): string[] {
	const rings = all.map(liesAt);
	const grownBy = (ring: Point[]): PathsD =>
		inflatePathsD([ring], Math.max(0, clearanceMm / 2 - 0.03), JoinType.Round, EndType.Polygon, 2, 4, 0.005);
	const grown = rings.map(grownBy);
	return all.flatMap((one, i) => [
		...(rings[i]?.every((p) => isOnShelf(shelf, p, 0.03)) ? [] : [`${one.id} is over the edge`]),
		...(shelf.posts ?? []).flatMap(({ xMm, yMm, acrossMm }) => {
			// A post grown by half the clearance, as a square inside it: what shares room with that is too near for certain.
			const r = ((acrossMm + clearanceMm) / 2 - 0.03) * Math.SQRT1_2;
			const corners = [
				[-r, -r],
				[r, -r],
				[r, r],
				[-r, r],
			] as const;
			const square = corners.map(([dx, dy]) => ({ x: xMm + dx, y: yMm + dy }));
			const shared = intersectD(grown[i] as PathsD, [square], FillRule.NonZero, 4);
			return Math.abs(areaPathsD(shared)) > 0.5 ? [`${one.id} is too near a post`] : [];
		}),
		...all.slice(i + 1).flatMap((other, k) => {
			const shared = intersectD(grown[i] as PathsD, grown[i + 1 + k] as PathsD, FillRule.NonZero, 4);
			return Math.abs(areaPathsD(shared)) > 0.5 ? [`${one.id} and ${other.id} are too near`] : [];
		}),
	]);
}

interface Stacked {
	shelf: Shelf;
	clearHeightMm: number;
	upper?: readonly UpperShelf[] | undefined;
}

/** The same over shelves on posts, each with a board of 15 mm: besides, nothing reaches the shelf above it or the lid. */
export function wrongOnShelves(
	all: readonly (Lies & { shelf: number; standsMm: number })[],
	{ shelf, clearHeightMm, upper = [] }: Stacked,
	clearanceMm: number,
): string[] {
	const top = all.reduce((most, one) => Math.max(most, one.shelf), 0);
	let footMm = 0;
	const feet = [0, ...upper.map(({ postMm }) => (footMm += postMm + 15))];
	return Array.from({ length: top + 1 }, (_, i) => i).flatMap((i) => {
		const its = all.filter((one) => one.shelf === i);
		const ceilingMm = i === top ? clearHeightMm : (feet[i + 1] as number) - 15;
		const hasPosts = i < top || upper.length === 0;
		return [
			...wrongOnShelf(its, { ...shelf, posts: hasPosts ? (shelf.posts ?? []) : [] }, clearanceMm),
			...its
				.filter(({ standsMm }) => (feet[i] as number) + standsMm > ceilingMm + 1e-9)
				.map(({ id }) => `${id} reaches what is above it`),
		];
	});
}
