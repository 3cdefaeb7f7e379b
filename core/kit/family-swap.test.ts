import { describe, expect, it } from "vitest";
import { book, cut, glass, kit, lay, square } from "../../tests/support/kit";
import { byId } from "../by-id";
import { readKit } from "../stack/read-kit";
import { swapFamily } from "./family-swap";

const GLASSES = [
	glass("clear", { opacity: "clear", firedColour: "#dfeae6" }),
	glass("rust", { opacity: "opalescent", firedColour: "#b0512b" }),
	glass("rust frit", { form: "frit", grade: "fine", firedColour: "#b0512b" }),
	glass("mirror", { coating: "dichroic", firedColour: "#dfeae6" }),
	glass("clear 96", { familyId: "96", opacity: "clear", firedColour: "#dfe9ea" }),
	glass("clear 96, thin", { familyId: "96", opacity: "clear", firedColour: "#dfe9ea", thicknessMm: 2 }),
	glass("brick 96", { familyId: "96", opacity: "opalescent", firedColour: "#a8502f" }),
	glass("sky 96", { familyId: "96", opacity: "opalescent", firedColour: "#8fc1d9" }),
];
const shelf = byId(GLASSES);
const studio = { ...book(), glasses: shelf };

describe("a kit for another family", () => {
	const design = kit([cut(square(60)), cut(square(20), 1, 0, 0, "rust")]);

	it("takes the nearest of colour, form and thickness, and is of that family alone", () => {
		const { design: swapped, swaps, without } = swapFamily(design, shelf, "96");
		expect(swaps.map(({ from, to }) => [from.id, to.id])).toEqual([
			["clear", "clear 96"],
			["rust", "brick 96"],
		]);
		expect(without).toEqual([]);
		expect(readKit(design, studio).familyId).toBe("90");
		expect(readKit(swapped, studio).familyId).toBe("96");
		expect(swaps.every(({ difference }) => difference > 0 && difference < 0.05)).toBe(true);
	});
	it("names what has no partner: no such form, no such coating, no such colour", () => {
		const more = kit([
			...design.parts,
			lay({ kind: "grains", shape: square(20), glassId: "rust frit", gPerCm2: 0.1 }, 2),
			cut(square(10), 2, 20, 0, "mirror"),
		]);
		const { without, design: swapped } = swapFamily(more, shelf, "96");
		expect(without.map(({ id }) => id)).toEqual(["rust frit", "mirror"]);
		expect(readKit(swapped, studio).findings[0]?.code).toBe("family-conflict");
		const { without: back } = swapFamily(kit([cut(square(20), 0, 0, 0, "sky 96")]), shelf, "90");
		expect(back.map(({ id }) => id)).toEqual(["sky 96"]);
	});
	it("says how much thicker the partner is, swaps components too, and leaves its own family alone", () => {
		const thin = new Map([...shelf].filter(([id]) => id !== "clear 96"));
		const dots = kit([lay({ kind: "component", componentId: "dot" }, 0, 0, 0, { firing: 1 })], undefined, {
			components: [{ id: "dot", name: "Dot", firing: 0, parts: [cut(square(10))] }],
		});
		const { swaps, design: swapped } = swapFamily(dots, thin, "96");
		expect(swaps).toMatchObject([{ thickerMm: -1 }]);
		expect(swapped.components[0]?.parts[0]).toMatchObject({ glassId: "clear 96, thin" });
		expect(swapFamily(design, shelf, "90")).toMatchObject({ swaps: [], without: [], design: { parts: design.parts } });
	});
});
