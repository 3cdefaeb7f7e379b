import type { CalendarFiring } from "@contract/loads";
import { expect, it } from "vitest";
import { heldEffect } from "./held-effect";

const HOUR = 3_600_000;
const firing = (id: string, kilnId: string, from: number, dues: CalendarFiring["dues"] = []): CalendarFiring => ({
	...{
		id,
		number: 1,
		kilnId,
		moulds: {},
		state: "planned",
		level: "full",
		familyId: "90",
		pieces: 1,
		what: "",
		isDated: true,
		dues,
	},
	...{ from, to: from + 24 * HOUR, peakMs: from + 5 * HOUR, soakMs: from + 8 * HOUR, doneMs: from + 12 * HOUR },
	coolMs: from + 20 * HOUR,
});
// Somebody is there from 8 to 18 every day.
const there = Array.from({ length: 9 }, (_, day) => ({ from: (24 * day + 8) * HOUR, to: (24 * day + 18) * HOUR }));
const house = { there, mayStart: there, tailMs: 4 * HOUR };
const due = { code: "K7", promisedMs: 48 * HOUR };
const held = (startMs: number) => ({ id: "a", kiln: 0, startMs });

it.each<[string, number, Partial<ReturnType<typeof heldEffect>>]>([
	// 10:00 to 06:00, with two hours of slack opened at 08:00, home at noon.
	["an hour on, nothing changes", 10 * HOUR, { openMs: 32 * HOUR, breaks: [], saves: [], isUnstaffed: false }],
	["so late that it is opened a day on, it breaks the promise", 16 * HOUR, { openMs: 38 * HOUR, breaks: [] }],
	["a day on", 33 * HOUR, { openMs: 56 * HOUR, breaks: ["K7"], saves: [] }],
	["at night nobody starts it", 27 * HOUR, { isUnstaffed: true }],
])("%s", (_, startMs, expected) => {
	const its = firing("a", "one", 9 * HOUR, [due]);
	expect(heldEffect(held(startMs), its, [its], "one", house)).toMatchObject({ clash: undefined, ...expected });
});

it("what stood too late is told to be saved", () => {
	const its = firing("a", "one", 33 * HOUR, [due]);
	expect(heldEffect(held(9 * HOUR), its, [its], "one", house)).toMatchObject({ breaks: [], saves: ["K7"] });
});

it("another firing in that kiln stands in the way, one in another kiln does not", () => {
	const its = firing("a", "one", 9 * HOUR);
	const other = firing("b", "one", 40 * HOUR);
	expect(heldEffect(held(30 * HOUR), its, [its, other], "one", house).clash?.id).toBe("b");
	expect(heldEffect(held(30 * HOUR), its, [its, other], "two", house).clash).toBeUndefined();
	expect(heldEffect(held(9 * HOUR), its, [its], "one", { ...house, there: [] }).openMs).toBeNull();
});
