import type { Release } from "../kit/mould";

/** Parts of a kiln's own record. Lengths mm, offsets K. */
export interface KilnZone {
	name: string;
	xMm: number;
	yMm: number;
	widthMm: number;
	heightMm: number;
	/** How much hotter than the middle this place is. */
	offsetK: number;
}

export interface KilnElements {
	/** "2031-03-08"; null where nobody knows. */
	fittedOn: string | null;
	/** Since they were fitted. */
	firings: number;
	hours: number;
	/** After so many they are usually looked at. */
	dueFirings: number;
}

/** A task that comes round. */
export interface UpkeepTask {
	what: string;
	everyFirings: number;
	sinceFirings: number;
}

export interface KilnShelf {
	name: string;
	release: Release;
	/** Firings since its wash or paper was renewed. */
	usesSince: number;
}

export const SHELF_SHAPES = ["rectangle", "round", "octagon"] as const;
export type ShelfShape = (typeof SHELF_SHAPES)[number];

export const NEW_ELEMENTS: KilnElements = { fittedOn: null, firings: 0, hours: 0, dueFirings: 200 };

/** Fibre and wash tasks that every kiln has. Intervals are common practice, no source. */
export const USUAL_UPKEEP: UpkeepTask[] = [
	{ what: "renew shelf wash or paper", everyFirings: 8, sinceFirings: 0 },
	{ what: "damp-wipe dust from lid and floor", everyFirings: 5, sinceFirings: 0 },
	{ what: "compare the sensor with a second one", everyFirings: 40, sinceFirings: 0 },
];

export interface UpkeepDue extends UpkeepTask {
	/** Firings left; 0 or less is due now. */
	left: number;
}

/** Tasks with what is left of their interval, the most urgent first; worn elements are a task like others. */
export function upkeepDue(tasks: readonly UpkeepTask[], elements: KilnElements): UpkeepDue[] {
	const all = [
		...tasks,
		{ what: "look at the elements", everyFirings: elements.dueFirings, sinceFirings: elements.firings },
	];
	return all.map((task) => ({ ...task, left: task.everyFirings - task.sinceFirings })).sort((a, b) => a.left - b.left);
}

/** What one firing adds to a kiln's record. */
export function afterFiring(
	record: { elements: KilnElements; upkeep: UpkeepTask[]; shelves: KilnShelf[] },
	hours: number,
): { elements: KilnElements; upkeep: UpkeepTask[]; shelves: KilnShelf[] } {
	const { elements, upkeep, shelves } = record;
	return {
		elements: { ...elements, firings: elements.firings + 1, hours: elements.hours + hours },
		upkeep: upkeep.map((task) => ({ ...task, sinceFirings: task.sinceFirings + 1 })),
		shelves: shelves.map((shelf) => ({ ...shelf, usesSince: shelf.usesSince + 1 })),
	};
}

/** The zone a place on the shelf lies in: its offset (K), and its name; nothing outside every zone. */
export const zoneAt = (zones: readonly KilnZone[], xMm: number, yMm: number): KilnZone | undefined =>
	zones.find(
		(zone) => xMm >= zone.xMm && xMm <= zone.xMm + zone.widthMm && yMm >= zone.yMm && yMm <= zone.yMm + zone.heightMm,
	);
