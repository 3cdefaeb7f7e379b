import type { KitDesign } from "@core/kit/kit";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { KITS } from "../../demo/kits";
import { said } from "../../tests/support/said";
import { type ActionName, actions } from "../actions";
import { kitDesign } from "./kit-design";

const kit = (change: Partial<KitDesign>): unknown => ({ ...KITS[0], ...change });

const part = {
	id: "a",
	name: "a",
	kind: "sheet",
	faceDown: false,
	firing: 0,
	shape: { kind: "square", sideMm: 40 },
	glassId: "clear",
	layer: 0,
	xMm: 0,
	yMm: 0,
	turnDeg: 0,
};

const bowTie = [
	{ x: 0, y: 0 },
	{ x: 9, y: 9 },
	{ x: 9, y: 0 },
	{ x: 0, y: 9 },
];

const { shape: _shape, glassId: _glass, faceDown: _face, ...lie } = part;

const placed = { ...lie, kind: "component", componentId: "dot", firing: 1 };

const dot = { id: "dot", name: "dot", firing: 0, parts: [{ ...part, id: "b" }] };

const twoFirings = [
	{ level: "full", handWork: "" },
	{ level: "tack", handWork: "" },
];

const sentences = (value: unknown): string[] => {
	const result = kitDesign.safeParse(value);
	return result.success ? [] : result.error.issues.map(({ path, message }) => `${path.join(".")}: ${said(message)}`);
};

describe("a kit document", () => {
	it("of the demo is one", () => {
		for (const one of KITS) expect(sentences(one)).toEqual([]);
	});

	it("may lie in inches, off centre and turned", () => {
		expect(
			sentences(
				kit({
					parts: [
						{ ...part, shape: { kind: "strip", lengthMm: 63.5, widthMm: 12.7 }, xMm: -200, turnDeg: -45 },
					] as never,
				}),
			),
		).toEqual([]);
	});

	it.each([
		[{ name: " " }, "name: The kit’s name must not be empty."],
		[{ parts: [] }, "parts: A kit needs at least 1 cut of glass."],
		[{ route: [] }, "route: The route needs at least 1 firing."],
		[
			{ parts: [{ ...part, shape: { kind: "square", sideMm: 0 } }] },
			"parts.0.shape.sideMm: Side must be at least 0.5 mm.",
		],
		[{ parts: [{ ...part, shape: { kind: "circle", diameterMm: Number.POSITIVE_INFINITY } }] }, "Diameter must be"],
		[{ parts: [{ ...part, layer: 1.5 }] }, "parts.0.layer: Layer must be a whole number."],
		[{ parts: [{ ...part, layer: 40 }] }, "parts.0.layer: Layer must be at most 39."],
		[{ parts: [part, part] }, "parts: Two parts have the same id, a."],
		[
			{ parts: Array.from({ length: 501 }, (_, i) => ({ ...part, id: `${i}` })) },
			"parts: A kit has at most 500 parts.",
		],
		[
			{ route: Array.from({ length: 7 }, () => ({ level: "full", handWork: "" })) },
			"route: The route has at most 6 firings.",
		],
		[{ route: [{ level: "melt", handWork: "" }] }, "route.0.level: Choose a fuse level."],
		[{ note: "x".repeat(2001) }, "note: The note must be at most 2000 characters."],
		[
			{ parts: [{ ...part, shape: { kind: "ring", diameterMm: 30, holeMm: 30 } }] },
			"parts.0.shape.holeMm: The hole must be smaller than the ring.",
		],
		[
			{ parts: [{ ...part, shape: { kind: "outline", points: bowTie } }] },
			"parts.0.shape.points: The outline crosses itself",
		],
		[{ parts: [{ ...part, firing: 1 }] }, "parts.0.firing: a is laid for firing 2, but the route has 1."],
		[
			{ parts: [{ ...placed, componentId: "none" }], route: twoFirings },
			"parts.0.componentId: a is a component that this kit does not have.",
		],
		[
			{ parts: [{ ...placed, firing: 0 }], components: [dot], route: twoFirings },
			"parts.0.firing: a is made in firing 1 and can be laid from firing 2 on.",
		],
		[
			{ components: [{ ...dot, parts: [placed] }], route: twoFirings },
			"components.0.parts.0: dot cannot be made of components.",
		],
		[{ version: 1 }, "version: This kit is not written in version 2 of the form."],
	] as [object, string][])("refuses case %#", (change, sentence) => {
		expect(sentences(kit(change as never)).join(" | ")).toContain(sentence);
	});

	it("refuses a weave that would take minutes to read, and takes a large mosaic", () => {
		const bars = Array.from({ length: 400 }, (_, i) => ({
			...part,
			id: `${i}`,
			layer: i % 2,
			shape:
				i % 2 ? { kind: "rectangle", widthMm: 2, heightMm: 1000 } : { kind: "rectangle", widthMm: 1000, heightMm: 2 },
			xMm: i % 2 ? i * 2 - 400 : 0,
			yMm: i % 2 ? 0 : i * 2 - 400,
		}));
		expect(sentences(kit({ parts: bars as never })).join()).toContain("cross too often");
		const tiles = bars.map((bar, i) => ({
			...bar,
			shape: part.shape,
			layer: 0,
			xMm: (i % 20) * 41,
			yMm: Math.floor(i / 20) * 41,
		}));
		expect(sentences(kit({ parts: tiles as never }))).toEqual([]);
	});

	it("refuses fields it does not know, at every depth", () => {
		expect(sentences({ ...(kit({}) as object), colour: "red" })).not.toEqual([]);
		expect(sentences(kit({ parts: [{ ...part, onclick: "alert(1)" }] as never }))).not.toEqual([]);
	});
});

describe("actions", () => {
	it("every one refuses whatever it is sent that is not it, and never throws", () => {
		fc.assert(
			fc.property(fc.constantFrom(...(Object.keys(actions) as ActionName[])), fc.jsonValue(), (name, value) => {
				expect(actions[name].schema.safeParse(value).success).toBe(false);
			}),
			{ numRuns: 400 },
		);
	});

	it("a firing starts only with somebody there and at a speed we know", () => {
		const start = { firingId: crypto.randomUUID(), speedUp: 60, somebodyThere: true };
		expect(actions.startFiring.schema.safeParse(start).success).toBe(true);
		expect(actions.startFiring.schema.safeParse({ ...start, somebodyThere: false }).error?.issues[0]?.message).toBe(
			"Somebody has to be at the kiln when it starts.",
		);
		expect(actions.startFiring.schema.safeParse({ ...start, speedUp: 7 }).error?.issues[0]?.message).toBe(
			"Choose a clock.",
		);
	});

	it("a new password has its limits", () => {
		expect(actions.changePassword.schema.safeParse({ current: "x", next: "short" }).error?.issues[0]?.message).toBe(
			"A password needs at least 10 characters.",
		);
		expect(actions.changePassword.schema.safeParse({ current: "x", next: "x".repeat(129) }).success).toBe(false);
	});
});
