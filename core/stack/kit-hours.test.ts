import { describe, expect, it } from "vitest";
import { book, cut, fire, kit, square } from "../../tests/support/kit";
import { emptyKit } from "../kit/kit";
import { kitHours } from "./kit-hours";
import { PACES } from "./outlook";
import { stackOf } from "./stack";
import { surveyOf } from "./survey";

const studio = book();
const tile = (...levels: Parameters<typeof fire>) => kit([cut(square(100)), cut(square(100), 1)], fire(...levels));

describe("hours of a kit", () => {
	it("are those that its bench shows, at every pace", () => {
		for (const design of [tile("full"), tile("full", "tack")])
			for (const pace of PACES) {
				const shown = surveyOf(stackOf(design, studio), pace).route.hours;
				const kept = kitHours(design, studio).find((one) => one.warmUp === pace.warmUp && one.cooling === pace.cooling);
				expect(kept?.hours).toBeCloseTo(shown, 9);
			}
	});
	it("grow with each firing; a kit without glass has none", () => {
		const [one] = kitHours(tile("full"), studio);
		const [two] = kitHours(tile("full", "tack"), studio);
		expect(two?.hours).toBeGreaterThan((one?.hours ?? 0) + 5);
		expect(kitHours(emptyKit(), studio)).toEqual([]);
	});
});
