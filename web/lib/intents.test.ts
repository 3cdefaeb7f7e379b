import { describe, expect, it } from "vitest";
import { Intents } from "./intents";
import { unreadable } from "./unreadable";

const counted = () => {
	let n = 0;
	return new Intents<{ note: string; ids: string[] }>(() => `id${++n}`);
};

describe("ids of what is about to be added", () => {
	it("are the same for the same intention until it was answered", () => {
		const intents = counted();
		const press = () => intents.withIds((id) => ({ note: "a", ids: [id(), id()] }));
		const first = press();
		expect(first.ids).toEqual(["id1", "id2"]);
		expect(press()).toEqual(first);
		intents.answered(first);
		expect(press().ids).toEqual(["id3", "id4"]);
	});

	it("are others for another intention", () => {
		const intents = counted();
		const one = intents.withIds((id) => ({ note: "a", ids: [id()] }));
		const two = intents.withIds((id) => ({ note: "b", ids: [id()] }));
		expect(two.ids).not.toEqual(one.ids);
		expect(intents.withIds((id) => ({ note: "a", ids: [id()] }))).toEqual(one);
	});
});

describe("numbers that a form could not read", () => {
	it("are refused by their whole path, and never sent as nothing", () => {
		const input = { kiln: { shelfWidthMm: Number.NaN, plateW: null, zones: [{ offsetK: Number.NaN }] }, revision: 2 };
		expect(unreadable(input)).toEqual([
			{ path: ["kiln", "shelfWidthMm"], sentence: ["Shelf width is not a number that can be read."] },
			{ path: ["kiln", "zones", 0, "offsetK"], sentence: ["Offset is not a number that can be read."] },
		]);
		expect(unreadable({ a: 1, b: [null, "x"], c: { d: 0 } })).toEqual([]);
		expect(unreadable({ a: Number.POSITIVE_INFINITY })).toHaveLength(1);
	});
});
