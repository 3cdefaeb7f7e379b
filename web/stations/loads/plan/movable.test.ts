import type { CalendarFiring, PlanView } from "@contract/loads";
import { describe, expect, it } from "vitest";
import { movableFirings, withAnnounced } from "./movable";

const firing = (id: string, change: Partial<CalendarFiring> = {}) =>
	({ id, kilnId: "k", from: 1000, state: "planned", pieces: 2, ...change }) as CalendarFiring;
const piece = (id: string, firingId: string) => ({ id, firingId }) as PlanView["movable"][0];
const view = {
	pieces: [{ id: "waits" }],
	booked: [firing("a"), firing("b"), firing("hot", { state: "running" }), firing("lots", { pieces: 0 })],
	// Of firing b one piece was laid in already: the book gives none of it.
	movable: [piece("p", "a"), piece("q", "a"), piece("r", "hot")],
} as unknown as PlanView;

describe("announced firings that may move", () => {
	it("are those of which every piece may: none that runs, none of lots", () =>
		expect(movableFirings(view).map(({ id }) => id)).toEqual(["a"]));
	it("are planned with what waits, and no longer booked", () => {
		const { pieces, booked, announced } = withAnnounced(view);
		expect(pieces.map(({ id }) => id)).toEqual(["waits", "p", "q"]);
		expect(booked.map(({ id }) => id)).toEqual(["b", "hot", "lots"]);
		expect(announced).toEqual([{ id: "a", kilnId: "k", startMs: 1000, pieceIds: ["p", "q"] }]);
	});
	it("without any the view stays itself", () => {
		const none = { ...view, movable: [] };
		expect(withAnnounced(none)).toBe(none);
	});
});
