import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { firstSaid } from "../../tests/support/said";
import type { AsMade, PieceEvent, PieceEventData } from "./events";
import { allowedSteps, type JourneyState, journeyOf, lastUndoable, mayBeLoaded, mayHappen, STATES } from "./journey";
import { proposeNext } from "./propose-next";

const asMade: AsMade = {
	widthMm: 100,
	heightMm: 100,
	thickestMm: 7,
	thinnestMm: 6,
	massG: 150,
	changed: "one strip more",
};
const route = [
	{ level: "full" as const, handWork: "" },
	{ level: "slump" as const, handWork: "" },
];
const T = (minutes: number) => new Date(Date.UTC(2031, 2, 1, 10, minutes)).toISOString();
const log = (...data: PieceEventData[]): PieceEvent[] => data.map((one, i) => ({ ...one, seq: i + 1, at: T(i) }));

const issued: PieceEventData = { type: "issued", route };
const handedIn: PieceEventData = { type: "handedIn", asMade, glue: "whiteGlue", readyFrom: T(60), level: "full" };
const placed: PieceEventData = { type: "placed", firingId: "f1" };
const started: PieceEventData = { type: "firingStarted", firingId: "f1" };
const judged = (
	next: "ready" | "coldWork" | "nextFiring" | "refire" | "spoiled",
	level: "full" | "none" = "full",
): PieceEventData => ({
	type: "judged",
	firingId: "f1",
	level,
	faults: [],
	next,
	note: "",
});

describe("a piece's journey", () => {
	it("from a kit to its owner's hands, through two firings", () => {
		const steps: [PieceEventData, JourneyState][] = [
			[issued, "issued"],
			[handedIn, "queued"],
			[placed, "placed"],
			[started, "inKiln"],
			[judged("nextFiring"), "queued"],
			[{ type: "placed", firingId: "f2" }, "placed"],
			[{ type: "firingStarted", firingId: "f2" }, "inKiln"],
			[judged("coldWork"), "coldWork"],
			[{ type: "coldWorked", note: "" }, "ready"],
			[{ type: "shelved", spot: "B3" }, "ready"],
			[{ type: "collected", by: "owner" }, "collected"],
		];
		for (const [i, [, state]] of steps.entries()) {
			expect(journeyOf(log(...steps.slice(0, i + 1).map(([data]) => data))).state).toBe(state);
		}
		const afterFirst = journeyOf(log(...steps.slice(0, 5).map(([data]) => data)));
		expect(afterFirst).toMatchObject({ step: 1, level: "slump", hadLevel: "full", firings: 1, firingId: undefined });
	});

	it("cold work within the route goes back to the queue, after it to ready", () => {
		const upTo = log(issued, handedIn, placed, started, judged("coldWork"), { type: "coldWorked", note: "ground" });
		expect(journeyOf(upTo)).toMatchObject({ state: "queued", step: 1 });
	});

	it("a refire keeps its place in the route; a slump keeps the level it had", () => {
		expect(journeyOf(log(issued, handedIn, placed, started, judged("refire", "none")))).toMatchObject({
			state: "queued",
			step: 0,
			hadLevel: undefined,
		});
	});

	it("a kit of loose ones keeps how many were good when it was judged last", () => {
		const counted = (good: number): PieceEventData => ({ ...judged("nextFiring"), good }) as PieceEventData;
		const again: PieceEventData[] = [
			{ type: "placed", firingId: "f2" },
			{ type: "firingStarted", firingId: "f2" },
		];
		expect(journeyOf(log(issued, handedIn, placed, started, judged("ready"))).good).toBeUndefined();
		expect(journeyOf(log(issued, handedIn, placed, started, counted(22))).good).toBe(22);
		expect(journeyOf(log(issued, handedIn, placed, started, counted(22), ...again, counted(21))).good).toBe(21);
		const undone = log(issued, handedIn, placed, started, counted(3), { type: "undone", undoes: 5 });
		expect(journeyOf(undone).good).toBeUndefined();
	});

	it("dries by the clock, not by an event", () => {
		const journey = journeyOf(log(issued, handedIn));
		expect(mayBeLoaded(journey, T(59))).toBe(false);
		expect(mayBeLoaded(journey, T(60))).toBe(true);
		expect(mayBeLoaded(journeyOf(log(issued)), T(60))).toBe(false);
	});

	it("what was undone never happened, but stays on record", () => {
		const events = log(issued, handedIn, { type: "undone", undoes: 2 });
		expect(journeyOf(events)).toMatchObject({ state: "issued", seq: 3, asMade: undefined });
		expect(lastUndoable(events)).toBeUndefined();
		expect(lastUndoable(log(issued, handedIn, { type: "noted", note: "x" }))?.seq).toBe(2);
		expect(lastUndoable(log(issued, handedIn, placed))).toBeUndefined();
	});

	it("says in what state a piece is when a step is not possible", () => {
		const result = mayHappen(journeyOf(log(issued)), "collected");
		expect(!result.ok && firstSaid(result.problems)).toBe("This piece is on the bench: that step is not possible now.");
		expect(allowedSteps("ready")).toEqual(["shelved", "collected", "photographed", "noted"]);
	});

	it("every walk of allowed steps stays within the states and counts its events", () => {
		const all: PieceEventData[] = [
			issued,
			handedIn,
			placed,
			started,
			judged("refire"),
			judged("ready"),
			judged("coldWork"),
			judged("spoiled"),
			{ type: "coldWorked", note: "" },
			{ type: "takenOut", firingId: "f1" },
			{ type: "shelved", spot: "A" },
			{ type: "collected", by: "owner" },
		];
		fc.assert(
			fc.property(fc.array(fc.constantFrom(...all), { maxLength: 40 }), (wanted) => {
				let done: PieceEventData[] = [];
				for (const data of wanted) {
					if (data.type === "undone") continue;
					if (mayHappen(journeyOf(log(...done)), data.type).ok) done = [...done, data];
				}
				const journey = journeyOf(log(...done));
				expect(STATES).toContain(journey.state);
				expect(journey.seq).toBe(done.length);
				expect(journey.firingId !== undefined).toBe(journey.state === "placed" || journey.state === "inKiln");
			}),
		);
	});
});

describe("the next step after a firing", () => {
	it.each([
		["full", [], 0, "nextFiring"],
		["full", [], 1, "ready"],
		["contour", [], 0, "refire"],
		["full", ["needlePoints"], 1, "coldWork"],
		["full", ["bubble", "coolCrack"], 1, "spoiled"],
		["full", ["flat"], 1, "ready"],
	] as const)("reached %s with %j at step %i → %s", (reached, faults, step, next) =>
		expect(proposeNext("full", reached, faults, route, step).next).toBe(next),
	);

	it("of a kit of loose ones none is good → spoiled; of some that are, as of one piece", () => {
		expect(proposeNext("full", "full", [], route, 1, 0).next).toBe("spoiled");
		expect(proposeNext("full", "full", [], route, 1, 3).next).toBe("ready");
	});
});
