import type { Day } from "./days";

/** When and where a class is: times as "18:30" of one day. */
export interface Slot {
	id: string;
	day: Day;
	startsAt: string;
	endsAt: string;
	/** Empty where nobody said. */
	room: string;
}

/** Two classes want one room at one time. A class that ends as another begins is no clash. */
export const clashes = (a: Slot, b: Slot): boolean =>
	a.id !== b.id &&
	a.day === b.day &&
	a.room.trim() !== "" &&
	a.room.trim().toLowerCase() === b.room.trim().toLowerCase() &&
	a.startsAt < b.endsAt &&
	b.startsAt < a.endsAt;
