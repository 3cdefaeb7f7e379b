import { describe, expect, it } from "vitest";
import { clashes, type Slot } from "./clash";

const slot = (change: Partial<Slot> = {}): Slot => ({
	id: "a",
	day: "2031-03-06",
	startsAt: "18:30",
	endsAt: "21:00",
	room: "Kiln room",
	...change,
});

describe("a clash", () => {
	it.each<[string, Partial<Slot>, boolean]>([
		["at the same time", { id: "b" }, true],
		["of the room by another writing", { id: "b", room: " kiln ROOM " }, true],
		["partly", { id: "b", startsAt: "20:00", endsAt: "22:00" }, true],
		["inside", { id: "b", startsAt: "19:00", endsAt: "19:30" }, true],
		["with itself", {}, false],
		["as one ends the other begins", { id: "b", startsAt: "21:00", endsAt: "22:00" }, false],
		["on another day", { id: "b", day: "2031-03-07" }, false],
		["in another room", { id: "b", room: "Loft" }, false],
		["where nobody said the room", { id: "b", room: "" }, false],
	])("%s", (_, other, is) => {
		expect(clashes(slot(), slot(other))).toBe(is);
		expect(clashes(slot(other), slot())).toBe(is);
	});
});
