import type { KilnFixture, ShelfShape } from "../kiln/record";

export interface Shelf {
	widthMm: number;
	heightMm: number;
	/** Kept free along every edge. */
	marginMm: number;
	/** Round and eight-sided ones are as wide as they are deep. */
	shape: ShelfShape;
	/** What stands on it: no glass comes near. */
	posts?: readonly Post[] | undefined;
}

/** A post, by its middle from the shelf's lower left, mm. */
export interface Post {
	xMm: number;
	yMm: number;
	acrossMm: number;
}

/**
 * Where posts stand on a shelf. A kiln's record counts from the far left corner, a load from the near one; a thermocouple reaches
 * over the glass and takes no room.
 */
export const postsOf = (fixtures: readonly KilnFixture[], shelfHeightMm: number): Post[] =>
	fixtures
		.filter(({ kind }) => kind === "post")
		.map(({ xMm, yMm, acrossMm }) => ({ xMm, yMm: shelfHeightMm - yMm, acrossMm }));

/** An eight-sided shelf loses so much of its width at each corner, of an even octagon between two flats. */
export const OCTAGON_CUT = 1 - Math.SQRT1_2;

/** How far in the usable shelf begins at a height, mm. */
export function insetAt({ widthMm, heightMm, marginMm, shape }: Shelf, y: number): number {
	const inner = widthMm - 2 * marginMm;
	if (shape === "round") {
		const off = Math.min(inner / 2, Math.abs(y - heightMm / 2));
		return widthMm / 2 - Math.sqrt((inner / 2) ** 2 - off ** 2);
	}
	if (shape === "octagon") {
		const fromEdge = Math.min(y, heightMm - y) - marginMm;
		return marginMm + Math.max(0, inner * OCTAGON_CUT - fromEdge);
	}
	return marginMm;
}

/** Shelf that can be used, mm². */
export function usableMm2({ widthMm, heightMm, marginMm, shape, posts = [] }: Shelf): number {
	const [w, h] = [Math.max(0, widthMm - 2 * marginMm), Math.max(0, heightMm - 2 * marginMm)];
	const cut = shape === "octagon" ? 2 * (w * OCTAGON_CUT) ** 2 : 0;
	const within = shape === "round" ? (Math.PI * w ** 2) / 4 : w * h - cut;
	return posts.reduce((left, { acrossMm }) => left - (Math.PI * acrossMm ** 2) / 4, within);
}
