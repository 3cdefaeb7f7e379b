import { USUAL_CUSTOMS } from "@core/studio/customs";
import type { Studio } from "@db/queries/studio";
import { houseSpans } from "@server/loads/models/house-spans";
import { expect, it } from "vitest";

const HOUR = 3_600_000;
const studio = (change: object) =>
	({ timeZone: "Europe/Vienna", customs: { ...USUAL_CUSTOMS, ...change } }) as unknown as Studio;
const day = { from: "09:00", to: "17:00" };

it("hours are those of the wall clock, also over the night the clocks change", () => {
	// Central Europe's clocks went on by an hour on 30 March 2031 (the last Sunday of March; Directive 2000/84/EC).
	const { there } = houseSpans(
		studio({ week: Array.from({ length: 7 }, () => day) }),
		new Date("2031-03-29T12:00:00Z"),
		2,
	);
	expect(there.map(({ from }) => new Date(from).toISOString())).toEqual([
		"2031-03-29T08:00:00.000Z",
		"2031-03-30T07:00:00.000Z",
	]);
});

it("quiet hours are taken out of those a kiln may be started in, and of no others", () => {
	const { there, mayStart } = houseSpans(
		studio({
			week: Array.from({ length: 7 }, () => ({ from: "18:00", to: "23:00" })),
			quiet: { from: "22:00", to: "06:00" },
		}),
		new Date("2031-01-06T12:00:00Z"),
		1,
	);
	expect(there.map(({ from, to }) => (to - from) / HOUR)).toEqual([5]);
	expect(mayStart.map(({ from, to }) => (to - from) / HOUR)).toEqual([4]);
});
