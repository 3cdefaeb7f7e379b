import { describe, expect, it } from "vitest";
import { moved, nudged, pinned, putIn, type ShelfDoc, swapped, takenOut, turned } from "./shelf-doc";

const at = (id: string, xMm: number, turnDeg = 0) => ({ id, xMm, yMm: 50, turnDeg, shelf: 0 });
const doc: ShelfDoc = { laid: [at("a", 10), at("b", 60, 90)], pinnedIds: ["b"] };

describe("a shelf laid by hand", () => {
	it.each<[string, ShelfDoc, ShelfDoc]>([
		["moved, to a tenth", moved(doc, "a", 12.345, 50), { ...doc, laid: [at("a", 12.3), at("b", 60, 90)] }],
		[
			"moved on by a step",
			nudged(doc, "b", -1.05, 10),
			{ ...doc, laid: [at("a", 10), { ...at("b", 59, 90), yMm: 60 }] },
		],
		["turned on", turned(doc, "b", 15), { ...doc, laid: [at("a", 10), at("b", 60, 105)] }],
		["turned back beyond nothing", turned(doc, "a", -15), { ...doc, laid: [at("a", 10, 345), at("b", 60, 90)] }],
		["two swapped, each as it was turned", swapped(doc, "a", "b"), { ...doc, laid: [at("a", 60), at("b", 10, 90)] }],
		[
			"two swapped between shelves",
			swapped({ ...doc, laid: [at("a", 10), { ...at("b", 60, 90), shelf: 1 }] }, "a", "b"),
			{ ...doc, laid: [{ ...at("a", 60), shelf: 1 }, at("b", 10, 90)] },
		],
		["taken out, pin and all", takenOut(doc, "b"), { laid: [at("a", 10)], pinnedIds: [] }],
		["put in", putIn(doc, at("c", 90)), { ...doc, laid: [...doc.laid, at("c", 90)] }],
		["put in again is put elsewhere", putIn(doc, at("a", 90)), { ...doc, laid: [at("b", 60, 90), at("a", 90)] }],
		["pinned", pinned(doc, "a"), { ...doc, pinnedIds: ["b", "a"] }],
		["no more pinned", pinned(doc, "b"), { ...doc, pinnedIds: [] }],
	])("%s", (_, after, expected) => expect(after).toEqual(expected));
	it("what is not there changes nothing: it is the same document", () => {
		expect(moved(doc, "z", 1, 1)).toBe(doc);
		expect(turned(doc, "z", 15)).toBe(doc);
		expect(swapped(doc, "a", "a")).toBe(doc);
		expect(swapped(doc, "a", "z")).toBe(doc);
	});
});
