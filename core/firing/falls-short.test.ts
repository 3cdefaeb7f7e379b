import { describe, expect, it } from "vitest";
import { FAMILY_90 } from "../glass/family";
import { buildSchedule } from "./build";
import { demandOf, type PieceToFire } from "./demand";
import { fallsShort } from "./falls-short";
import { USUAL_PACE } from "./schools";

const piece = (id: string, effectiveMm: number): PieceToFire => ({
	...{ id, level: "full", thickestMm: effectiveMm, effectiveMm, acrossMm: 100, fired: false },
	...{ blackBesideWhite: false, multiLevel: false, trappedSpanMm: 0 },
});
const scheduleFor = (effectiveMm: number) =>
	buildSchedule(demandOf(piece("it", effectiveMm), USUAL_PACE), { family: FAMILY_90 });

describe("a schedule that pieces have outgrown", () => {
	it.each([
		[6, 6, []],
		[9, 6, []],
		// Common practice, no source: an hour of soak for 6 mm, two for 12.
		[6, 12, [{ id: "it", neededMin: 120, heldMin: 60, soaksTooShort: true, heatsTooFast: false }]],
		[12, 19, [{ id: "it", neededMin: 190, heldMin: 120, soaksTooShort: true, heatsTooFast: true }]],
		[6, 6.2, []],
	])("made for %d mm, found to be %d mm", (made, found, short) =>
		expect(fallsShort(scheduleFor(made), FAMILY_90, [piece("it", found)])).toEqual(short),
	);

	it("names those pieces only that need more", () => {
		const pieces = [piece("thin", 6), piece("thick", 18), piece("even thicker", 25)];
		expect(fallsShort(scheduleFor(10), FAMILY_90, pieces).map(({ id }) => id)).toEqual(["thick", "even thicker"]);
	});

	it("small ones that go straight up and off need nothing, whatever it holds", () => {
		const dot = { ...piece("dot", 6), acrossMm: 9 };
		expect(fallsShort(scheduleFor(2), FAMILY_90, [dot])).toEqual([]);
	});

	it("a programme without a soak, or straight up, holds nothing else", () => {
		const straight = { segments: [{ name: "up" as const, rateCPerH: "full" as const, targetC: 800, holdMin: 10 }] };
		expect(fallsShort(straight, FAMILY_90, [piece("slab", 6)])).toMatchObject([{ heldMin: 0, heatsTooFast: true }]);
	});
});
