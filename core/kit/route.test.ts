import { kitDesign } from "@contract/documents/kit-design";
import { describe, expect, it } from "vitest";
import { book, cut, fire, kit, square } from "../../tests/support/kit";
import { readKit } from "../stack/read-kit";
import { makeComponent } from "./make-component";
import { withoutFiring } from "./route";

const studio = book();
let made = 0;
const newId = () => `made-${++made}`;
const dotted = () =>
	kit(
		[cut(square(60), 0, 0, 0, "clear", { id: "base" }), cut(square(10), 1, 12, -7, "clear", { id: "dot" })],
		fire("full", "slump"),
	);
const component = (design = dotted(), ids = ["dot"]) => makeComponent(design, ids, studio.glasses, newId);

describe("making a component", () => {
	it("of what is laid first adds a firing before; the slump that follows stays the last", () => {
		const { design, partId } = component();
		expect(design.route.map(({ level }) => level)).toEqual(["full", "full", "slump"]);
		expect(design.components).toMatchObject([{ firing: 0, parts: [{ xMm: 0, yMm: 0, layer: 0, firing: 0 }] }]);
		expect(design.parts.map(({ id, firing }) => [id, firing])).toEqual([
			["base", 1],
			[partId, 1],
		]);
		expect(design.parts[1]).toMatchObject({ kind: "component", xMm: 12, yMm: -7, layer: 1 });
		expect(kitDesign.safeParse(design).success).toBe(true);
		expect(readKit(design, studio)).toMatchObject({ firing: 1, level: "full" });
		expect(readKit(design, studio).massG).toBeCloseTo(readKit(dotted(), studio).massG, 1);
	});
	it("of what is laid for a later firing is made in the one before, no firing is added", () => {
		const later = {
			...dotted(),
			parts: dotted().parts.map((part) => (part.id === "dot" ? { ...part, firing: 1 } : part)),
		};
		const { design } = component(later);
		expect(design.route).toHaveLength(2);
		expect(design.components[0]?.firing).toBe(0);
		expect(design.parts.map(({ firing }) => firing)).toEqual([0, 1]);
	});
	it("a second one keeps the first where it is made", () => {
		const { design: one } = component();
		const { design: two } = component(one, ["base"]);
		expect(two.components.map(({ firing }) => firing)).toEqual([0, 0]);
		expect(kitDesign.safeParse(two).success).toBe(true);
	});
});

describe("taking a firing out of the route", () => {
	it("what was laid for later ones moves up, components too; the last one's parts go into the one before", () => {
		const brooch = kit(
			[cut(square(30)), cut(square(20), 1, 0, 0, "clear", { firing: 2 })],
			fire("full", "firePolish", "full"),
		);
		expect(withoutFiring(brooch, 1)?.parts.map(({ firing }) => firing)).toEqual([0, 1]);
		expect(withoutFiring(brooch, 2)?.parts.map(({ firing }) => firing)).toEqual([0, 1]);
		expect(withoutFiring(brooch, 0)?.parts.map(({ firing }) => firing)).toEqual([0, 1]);
	});
	it("not the one that makes a component, not the only one left to lay it for, not the only one", () => {
		const { design } = component(kit(dotted().parts));
		expect(withoutFiring(design, 0)).toBeUndefined();
		expect(withoutFiring(design, 1)).toBeUndefined();
		expect(withoutFiring(kit([cut(square(9))]), 0)).toBeUndefined();
	});
	it("whatever is taken out, what is left is a kit that can be saved", () => {
		const { design } = component();
		for (const i of [0, 1, 2]) {
			const left = withoutFiring(design, i);
			if (left) expect(kitDesign.safeParse(left).success, `firing ${i}`).toBe(true);
		}
	});
});
