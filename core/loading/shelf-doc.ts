import type { KilnPlacement } from "./placement";

/** The shelves of a kiln as somebody lays them: where each piece lies, and which ones stay when it is laid anew. Every change is a pure function. */
export interface ShelfDoc {
	laid: readonly KilnPlacement[];
	pinnedIds: readonly string[];
}

const change = (doc: ShelfDoc, id: string, how: (one: KilnPlacement) => KilnPlacement): ShelfDoc =>
	doc.laid.some((one) => one.id === id)
		? { ...doc, laid: doc.laid.map((one) => (one.id === id ? how(one) : one)) }
		: doc;

/** Places are kept to a tenth of a millimetre. */
const tenth = (mm: number): number => Math.round(mm * 10) / 10;

export const moved = (doc: ShelfDoc, id: string, xMm: number, yMm: number): ShelfDoc =>
	change(doc, id, (one) => ({ ...one, xMm: tenth(xMm), yMm: tenth(yMm) }));

export const nudged = (doc: ShelfDoc, id: string, byX: number, byY: number): ShelfDoc =>
	change(doc, id, (one) => ({ ...one, xMm: tenth(one.xMm + byX), yMm: tenth(one.yMm + byY) }));

/** Turned counter-clockwise by so much, within a full turn. */
export const turned = (doc: ShelfDoc, id: string, byDeg: number): ShelfDoc =>
	change(doc, id, (one) => ({ ...one, turnDeg: (((one.turnDeg + byDeg) % 360) + 360) % 360 }));

/** Two pieces in each other's place, each as it was turned. */
export function swapped(doc: ShelfDoc, a: string, b: string): ShelfDoc {
	const [one, other] = [doc.laid.find(({ id }) => id === a), doc.laid.find(({ id }) => id === b)];
	if (!one || !other || a === b) return doc;
	const to = ({ xMm, yMm, shelf }: KilnPlacement) => ({ xMm, yMm, shelf });
	return change(
		change(doc, a, (its) => ({ ...its, ...to(other) })),
		b,
		(its) => ({ ...its, ...to(one) }),
	);
}

export const takenOut = (doc: ShelfDoc, id: string): ShelfDoc => ({
	laid: doc.laid.filter((one) => one.id !== id),
	pinnedIds: doc.pinnedIds.filter((one) => one !== id),
});

export const putIn = (doc: ShelfDoc, one: KilnPlacement): ShelfDoc => ({
	...takenOut(doc, one.id),
	laid: [...takenOut(doc, one.id).laid, one],
});

/** Pinned, or no more. */
export const pinned = (doc: ShelfDoc, id: string): ShelfDoc => ({
	...doc,
	pinnedIds: doc.pinnedIds.includes(id) ? doc.pinnedIds.filter((one) => one !== id) : [...doc.pinnedIds, id],
});
