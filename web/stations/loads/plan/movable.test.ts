import type { CalendarFiring, PlanView } from "@contract/loads";
import { describe, expect, it } from "vitest";
import { movableFirings, strandedFirings, withAnnounced } from "./movable";

const firing = (id: string, change: Partial<CalendarFiring> = {}) =>
	({ id, kilnId: "k", from: 1000, state: "planned", pieces: 2, ...change }) as CalendarFiring;
const piece = (id: string, firingId: string, familyId = "90") => ({ id, firingId, familyId }) as PlanView["movable"][0];
const view = {
	pieces: [{ id: "waits" }],
	booked: [
		firing("a"),
		firing("b"),
		firing("mixed"),
		firing("hot", { state: "running" }),
		firing("lots", { pieces: 0 }),
	],
	// Of firing b one piece was laid in already: the book gives none of it.
	movable: [piece("p", "a"), piece("q", "a"), piece("r", "hot"), piece("s", "mixed"), piece("t", "mixed", "96")],
} as unknown as PlanView;

describe("announced firings that may move", () => {
	it("are those of which every piece may: none that runs, none of lots, none of two families", () =>
		expect(movableFirings(view).map(({ id }) => id)).toEqual(["a"]));
	it("are planned with what waits, and no longer booked", () => {
		const { pieces, booked, announced } = withAnnounced(view);
		expect(pieces.map(({ id }) => id)).toEqual(["waits", "p", "q"]);
		expect(booked.map(({ id }) => id)).toEqual(["b", "mixed", "hot", "lots"]);
		expect(announced).toEqual([{ id: "a", kilnId: "k", startMs: 1000, pieceIds: ["p", "q"] }]);
	});
	it("are stranded where their kiln is out of service in their hours", () => {
		const closed = (from: number, to: number | null) => ({ ...view, closed: [{ kilnId: "k", from, to, why: "" }] });
		const hours = { ...view, booked: [firing("a", { from: 1000, to: 2000 })] };
		const ids = (its: PlanView) => strandedFirings({ ...its, booked: hours.booked }).map(({ id }) => id);
		expect(ids(closed(0, null))).toEqual(["a"]);
		expect(ids(closed(1500, 1600))).toEqual(["a"]);
		expect(ids(closed(0, 1000))).toEqual([]);
		expect(ids(closed(2000, null))).toEqual([]);
		// Told too: what no plan takes, never what runs.
		const others = [firing("mixed", { to: 2000 }), firing("hot", { state: "running", to: 2000 })];
		expect(strandedFirings({ ...closed(0, null), booked: others }).map(({ id }) => id)).toEqual(["mixed"]);
	});
	it("without any the view stays itself", () => {
		const none = { ...view, movable: [] };
		expect(withAnnounced(none)).toBe(none);
	});
});
