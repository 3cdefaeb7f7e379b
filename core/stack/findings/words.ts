import type { Lain } from "../lay";

/** Names of parts for a sentence: at most three, then how many more. */
export function names(parts: readonly Pick<Lain, "name">[]): string {
	const distinct = [...new Set(parts.map((part) => part.name))];
	return distinct.length > 3
		? `${distinct.slice(0, 3).join(", ")} and ${distinct.length - 3} more`
		: distinct.join(", ");
}

export const ids = (parts: readonly Pick<Lain, "id">[]): string[] => parts.map(({ id }) => id);

export const middle = ({ box }: Pick<Lain, "box">) => ({
	x: (box.minX + box.maxX) / 2,
	y: (box.minY + box.maxY) / 2,
});

/** The worst of some by a figure; the first where all are alike. */
export const worstOf = <T>(some: readonly [T, ...T[]], figure: (one: T) => number): T =>
	some.reduce((a, b) => (figure(b) > figure(a) ? b : a));

/** Narrows a list to one that holds something. */
export const holdsAny = <T>(some: readonly T[]): some is readonly [T, ...T[]] => some.length > 0;
