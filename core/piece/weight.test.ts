import { describe, expect, it } from "vitest";
import { book, cut, kit, lay, square } from "../../tests/support/kit";
import type { KitPart } from "../kit/kit";
import { loadHeat } from "../loading/load-heat";
import { stackOf } from "../stack/stack";
import { kitBody } from "./kit-body";

const base = [cut(square(100)), cut(square(100), 1)];
const across = [-40, 40].map((x) => ({ x, y: 0 }));
const body = (parts: KitPart[]) => kitBody(stackOf(kit([...base, ...parts]), book()));

// Density of soda-lime glass 2.5 g/cm³ (textbook): two squares of 100 × 100 × 3 mm weigh 150 g.
describe("what is strewn and laid on a piece weighs with it, and is heated with it", () => {
	it.each<[string, KitPart[], number]>([
		["nothing else", [], 150],
		[
			"frit, 0.4 g on each of 64 cm²",
			[lay({ kind: "grains", shape: square(80), glassId: "coarse", gPerCm2: 0.4 }, 2)],
			175.6,
		],
		[
			"powder, 0.05 g on each of 100 cm²",
			[lay({ kind: "grains", shape: square(100), glassId: "powder", gPerCm2: 0.05 }, 2)],
			155,
		],
		// π/4 mm² × 80 mm × 0.0025 g/mm³
		["a thread of 1 mm, 80 mm long", [lay({ kind: "thread", points: across, glassId: "thread" }, 2)], 150.157],
		// 5 × 1.5 mm × 80 mm
		["a ribbon of 5 × 1.5 mm, 80 mm long", [lay({ kind: "thread", points: across, glassId: "ribbon" }, 2)], 151.5],
		// Cap of a sphere: π·h·(3r² + h²) / 6 with r = 6, h = 4: 259.7 mm³
		[
			"a dot 12 mm across, 4 mm high",
			[lay({ kind: "lump", form: "dome", diameterMm: 12, heightMm: 4, glassId: "clear" }, 2)],
			150.649,
		],
	])("%s: %#", (_, parts, grams) => {
		const { massG } = body(parts);
		expect(massG).toBeCloseTo(grams, 1);
		const heat = (of: { massG: number }) =>
			loadHeat([{ body: { ...body(parts), ...of } }], { widthMm: 0, heightMm: 0 });
		expect(heat({ massG }).loadJPerK).toBeCloseTo((grams / 1000) * 900, 0);
	});
});
