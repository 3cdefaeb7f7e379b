import { emptyKit } from "@core/kit/kit";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { cut, GLASSES, kit, lay, square } from "../../../tests/support/kit";
import { createKitDraft, type KitDraftStore, partsOnBench } from "./draft";
import { NEW_PARTS, newPart } from "./parts/new-part";

let now = 0;
let draft: KitDraftStore;
const names = () => draft.getState().document.parts.map(({ name }) => name);
const undo = () => draft.temporal.getState().undo();
const redo = () => draft.temporal.getState().redo();
const rename = (name: string, what?: string) => draft.getState().edit((before) => ({ ...before, name }), what);

beforeEach(() => {
	now = 0;
	draft = createKitDraft(kit([cut(square(60), 0, 0, 0, "clear", { name: "Base" })]), () => now);
});

describe("the kit on the bench", () => {
	it("every change is undone and done again, one by one, without limit", () => {
		for (let i = 1; i <= 300; i++)
			draft.getState().editParts((parts) => [...parts, cut(square(5), 1, i, 0, "clear", { name: `Part ${i}` })]);
		expect(names()).toHaveLength(301);
		for (let i = 0; i < 300; i++) undo();
		expect(names()).toEqual(["Base"]);
		undo();
		expect(names()).toEqual(["Base"]);
		for (let i = 0; i < 300; i++) redo();
		expect(names().at(-1)).toBe("Part 300");
	});

	it("typing is one step, until a moment passes or something else is typed", () => {
		for (const text of ["R", "Ra", "Rai", "Rain"]) {
			now += 200;
			rename(text, "name");
		}
		now += 2000;
		rename("Rain 2", "name");
		rename("Rain 2!", "note");
		undo();
		expect(draft.getState().document.name).toBe("Rain 2");
		undo();
		expect(draft.getState().document.name).toBe("Rain");
		undo();
		expect(draft.getState().document.name).toBe("test");
	});

	it("a change after an undo forgets what was undone; a change that changes nothing is no step", () => {
		rename("one");
		rename("two");
		undo();
		rename("three");
		redo();
		expect(draft.getState().document.name).toBe("three");
		draft.getState().edit((before) => before);
		expect(draft.temporal.getState().pastStates).toHaveLength(2);
	});

	it("choosing is no step to undo", () => {
		draft.getState().choose(["x"]);
		draft.getState().choose([]);
		expect(draft.temporal.getState().pastStates).toHaveLength(0);
	});

	it("an open component's parts lie on the bench, and changes go into it", () => {
		const inner = cut(square(10), 0, 0, 0, "clear", { name: "Dot" });
		draft = createKitDraft({
			...emptyKit("k"),
			parts: [],
			components: [{ id: "c", name: "C", firing: 0, parts: [inner] }],
		});
		draft.getState().open("c");
		draft.getState().editParts((parts) => parts.map((part) => ({ ...part, name: "Changed" })));
		const { document: design, opened } = draft.getState();
		expect(partsOnBench(design, opened).map(({ name }) => name)).toEqual(["Changed"]);
		expect(design.parts).toEqual([]);
		expect(partsOnBench(design, "gone")).toEqual([]);
	});
});

describe("a new part", () => {
	vi.stubGlobal("crypto", { randomUUID: () => `${Math.random()}` });
	it("of every kind can be laid, with a name of its own and what it needs from the book", () => {
		for (const what of NEW_PARTS) {
			const part = newPart(what, { parts: [], components: [], glasses: GLASSES }, 0);
			expect(part, what).toMatchObject({ firing: 0, xMm: 0, yMm: 0 });
			expect(part?.name[0]).toBe(part?.name[0]?.toUpperCase());
		}
	});
	it("takes the glass used last where it fits, clear sheet to begin with, and is refused without one", () => {
		expect(newPart("square", { parts: [], components: [], glasses: GLASSES }, 0)).toMatchObject({
			glassId: "clear",
			shape: { sideMm: 100 },
			layer: 0,
		});
		const onBench = [cut(square(60)), cut(square(20), 1, 0, 0, "striker")];
		expect(newPart("strip", { parts: onBench, components: [], glasses: GLASSES }, 0)).toMatchObject({
			glassId: "striker",
		});
		expect(newPart("powder", { parts: onBench, components: [], glasses: GLASSES }, 0)).toMatchObject({
			glassId: "powder",
		});
		expect(
			newPart("ribbon", { parts: [], components: [], glasses: GLASSES.filter(({ form }) => form === "sheet") }, 0),
		).toBeUndefined();
	});
	it("lies on top, supports and walls on the shelf; a second of its kind is numbered", () => {
		const onBench = [
			cut(square(60)),
			lay({ kind: "foil", metal: "copper", shape: square(9) }, 1, 0, 0, { name: "Foil" }),
		];
		expect(newPart("foil", { parts: onBench, components: [], glasses: GLASSES }, 0)).toMatchObject({ name: "Foil 2" });
		expect(newPart("dam", { parts: onBench, components: [], glasses: GLASSES }, 0)).toMatchObject({ layer: 0 });
		expect(newPart("square", { parts: [cut(square(60))], components: [], glasses: GLASSES }, 2)).toMatchObject({
			layer: 1,
			firing: 2,
			shape: { sideMm: 30 },
		});
	});
});
