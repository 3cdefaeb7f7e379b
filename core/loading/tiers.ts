import type { UpperShelf } from "../kiln/record";
import type { Uneven } from "./outlines/to-middle";
import type { Shelf } from "./shelf";

/** A shelf's board is about so thick, mm. Common practice, no source. */
export const BOARD_MM = 15;

/** How many shelves a load may lie on, as an address has it. */
export const SHELF_COUNTS = ["1", "2", "3", "4"] as const;

/** What lies on a shelf, counted from the lowest, 0. */
interface OnShelf {
	shelf: number;
}

/** What glass is laid on in a kiln. */
export interface KilnShelves {
	/** The lowest. */
	shelf: Shelf;
	/** Over the lowest shelf, with no other one in the kiln, mm. */
	clearHeightMm: number;
	/** Shelves that may stand over it, the lowest of them first. */
	upper?: readonly UpperShelf[] | undefined;
	/** Places that are hotter or cooler than the middle. */
	uneven?: readonly Uneven[] | undefined;
}

/** One of the shelves that a kiln is loaded with. */
export interface Tier {
	shelf: Shelf;
	/** What may stand on it is at most so high, mm. */
	clearHeightMm: number;
	/** How much hotter than the lowest one it is, K. */
	offsetK: number;
}

export const mostTiers = ({ upper = [] }: Pick<KilnShelves, "upper">): number => upper.length + 1;

/** What is free over the topmost of all shelves, mm. */
export const topClearMm = ({ clearHeightMm, upper = [] }: Pick<KilnShelves, "clearHeightMm" | "upper">): number =>
	upper.reduce((left, { postMm }) => left - postMm - BOARD_MM, clearHeightMm);

/**
 * So many shelves of a kiln over each other, the lowest first. Posts stand on each that carries another; in a kiln of one shelf those
 * that are written down stand always.
 */
export function tiersOf({ shelf, clearHeightMm, upper = [] }: KilnShelves, used: number): Tier[] {
	const bare = upper.length > 0 ? { ...shelf, posts: [] } : shelf;
	const over = upper.slice(0, Math.max(0, used - 1));
	return [undefined, ...over].map((its, i) => {
		const next = over[i];
		return {
			shelf: next ? shelf : bare,
			clearHeightMm: next ? next.postMm : topClearMm({ clearHeightMm, upper: over }),
			offsetK: its?.offsetK ?? 0,
		};
	});
}

/** How many shelves a kiln is loaded with. */
export const shelvesUsed = (places: readonly OnShelf[]): number =>
	places.reduce((most, { shelf }) => Math.max(most, shelf + 1), 1);

/** How many pieces lie on each shelf that a kiln is loaded with, the lowest first. */
export function onShelves(places: readonly OnShelf[], of = shelvesUsed(places)): number[] {
	return Array.from({ length: of }, (_, i) => places.filter(({ shelf }) => shelf === i).length);
}

/** Counted from the bottom, in words. */
export function shelfWords(index: number, of: number): string {
	if (of === 1) return "shelf";
	if (of === 2) return index === 0 ? "lower shelf" : "upper shelf";
	return index === 0 ? "lowest shelf" : index === of - 1 ? "top shelf" : `shelf ${index + 1}`;
}

/** Places of a kiln that are hotter or cooler than the middle of its lowest shelf: zones, and the shelves above that are used. */
export const heatPlaces = (
	{ zones, upper }: { zones: readonly HeatPlace[]; upper: readonly UpperShelf[] },
	used: number,
): HeatPlace[] => [
	...zones.map(({ name, offsetK }) => ({ name, offsetK })),
	...upper
		.slice(0, used - 1)
		.map(({ offsetK }, i) => ({ name: shelfWords(i + 1, used), offsetK }))
		.filter(({ offsetK }) => offsetK !== 0),
];

/** A place by its name, and how much hotter than the middle it is, K. */
export interface HeatPlace {
	name: string;
	offsetK: number;
}
