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

export const FIXTURE_KINDS = ["post", "thermocouple"] as const;

/** What stands on the shelf, or reaches over it. Lengths mm, its middle from the shelf's far left corner. */
export interface KilnFixture {
	kind: (typeof FIXTURE_KINDS)[number];
	xMm: number;
	yMm: number;
	acrossMm: number;
}

/** A shelf that may stand over another one. */
export interface UpperShelf {
	/** Free height between the shelf below and it: as long as its posts, mm. */
	postMm: number;
	/** How much hotter than the lowest shelf it is, K. */
	offsetK: number;
}

/** A kiln that nobody fires for a while. Days "2031-03-08", both included. */
export interface OutOfService {
	fromDay: string;
	/** Null: until somebody brings it back. */
	untilDay: string | null;
	why: string;
}

export const KILN_KINDS = ["electric", "microwaveBlock"] as const;
export type KilnKind = (typeof KILN_KINDS)[number];
export const DOOR_SIDES = ["front", "top"] as const;
export type DoorSide = (typeof DOOR_SIDES)[number];
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
export function afterFiring(record: KilnRecord, hours: number): KilnRecord {
	const { elements, upkeep, shelves } = record;
	return {
		elements: { ...elements, firings: elements.firings + 1, hours: elements.hours + hours },
		upkeep: upkeep.map((task) => ({ ...task, sinceFirings: task.sinceFirings + 1 })),
		shelves: shelves.map((shelf) => ({ ...shelf, usesSince: shelf.usesSince + 1 })),
	};
}

/** What a person types of a kiln's record; what is counted stands beside it. */
export interface TypedRecord {
	elements: Pick<KilnElements, "fittedOn" | "dueFirings">;
	upkeep: Pick<UpkeepTask, "what" | "everyFirings">[];
	shelves: Pick<KilnShelf, "name" | "release">[];
}

/** What the studio counts: firings and hours of the elements, firings since each task was done and each shelf renewed. */
export interface KilnCounts {
	elements: Pick<KilnElements, "firings" | "hours">;
	/** By the task's words. */
	upkeep: Record<string, number>;
	/** By the shelf's name. */
	shelves: Record<string, number>;
}

export interface KilnRecord {
	elements: KilnElements;
	upkeep: UpkeepTask[];
	shelves: KilnShelf[];
}

export const countsOf = ({ elements: { firings, hours }, upkeep, shelves }: KilnRecord): KilnCounts => ({
	elements: { firings, hours },
	upkeep: Object.fromEntries(upkeep.map(({ what, sinceFirings }) => [what, sinceFirings])),
	shelves: Object.fromEntries(shelves.map(({ name, usesSince }) => [name, usesSince])),
});

/** A person's own counting, of as much as was counted. */
export interface Recount {
	elements?: Partial<KilnCounts["elements"]> | undefined;
	upkeep?: Record<string, number> | undefined;
	shelves?: Record<string, number> | undefined;
}

/**
 * A kiln's record after a person typed it: what was counted goes on, whatever was counted meanwhile; where somebody counted
 * anew that holds; new elements and a renewed shelf begin at none.
 */
export function recounted(known: KilnRecord | undefined, typed: TypedRecord, anew: Recount = {}): KilnRecord {
	const counts = known && countsOf(known);
	const sameElements = known?.elements.fittedOn === typed.elements.fittedOn;
	const releases = new Map(known?.shelves.map(({ name, release }) => [name, release]));
	return {
		elements: {
			...typed.elements,
			firings: anew.elements?.firings ?? (sameElements ? (counts?.elements.firings ?? 0) : 0),
			hours: anew.elements?.hours ?? (sameElements ? (counts?.elements.hours ?? 0) : 0),
		},
		upkeep: typed.upkeep.map((task) => ({
			...task,
			sinceFirings: anew.upkeep?.[task.what] ?? counts?.upkeep[task.what] ?? 0,
		})),
		shelves: typed.shelves.map((shelf) => ({
			...shelf,
			usesSince:
				anew.shelves?.[shelf.name] ??
				(releases.get(shelf.name) === shelf.release ? (counts?.shelves[shelf.name] ?? 0) : 0),
		})),
	};
}
