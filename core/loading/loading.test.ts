import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { measured } from "../../tests/support/measured";
import { firstSaid } from "../../tests/support/said";
import { flowIndex } from "../firing/flow-index";
import { type FuseLevel, LEVEL_BANDS } from "../firing/level";
import { feltCurve } from "../firing/plan-flow";
import { curveOf } from "../firing/schedule";
import { USUAL_PACE } from "../firing/schools";
import { boundsOf } from "../geometry/bounds";
import { FAMILY_90, FAMILY_96 } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import { DEFAULT_KILN } from "../kiln/kiln";
import { edgeOf } from "../piece/edge-of";
import type { PieceBody } from "../piece/piece-body";
import { footprintOf } from "./footprint";
import type { LoadKiln, WaitingPiece } from "./load";
import { type Box, fillShare, packShelf } from "./pack";
import { proposeLoad } from "./propose";
import type { Shelf } from "./shelf";
import { bandOf, traysOf } from "./tray";

const shelf: Shelf = { widthMm: 440, heightMm: 340, marginMm: 15, shape: "rectangle" };
const kiln: LoadKiln = { body: DEFAULT_KILN, shelf, clearHeightMm: 150, maxC: 900 };
const schools = { ...USUAL_PACE, soak: "lower" as const, clearanceMm: 5 };

function piece(
	id: string,
	change: Partial<Omit<WaitingPiece, "body">> & {
		size?: [number, number];
		thick?: number;
		body?: Partial<PieceBody>;
	} = {},
): WaitingPiece {
	const { size: [widthMm, heightMm] = [100, 100], thick = 6, body: its = {}, ...rest } = change;
	const made = { widthMm, heightMm, thickestMm: thick, thinnestMm: thick };
	const body = measured(made, rest.level ?? "full", its);
	return {
		id,
		code: `K-${id}`,
		familyId: "90",
		level: "full",
		effectiveMm: body.effectiveMm,
		promised: null,
		...rest,
		body,
	};
}

const boxes = fc.array(
	fc.record({ widthMm: fc.integer({ min: 10, max: 200 }), heightMm: fc.integer({ min: 10, max: 200 }) }),
	{ minLength: 1, maxLength: 30 },
);

describe("packing a shelf", () => {
	it("lays nothing over the margin, nothing nearer than the clearance, and loses nothing", () => {
		fc.assert(
			fc.property(boxes, fc.integer({ min: 0, max: 20 }), (sizes, clearance) => {
				const wanted: Box[] = sizes.map((size, i) => ({ id: `b${i}`, ...size }));
				const { places, left } = packShelf(wanted, shelf, clearance);
				expect([...places, ...left].map(({ id }) => id).sort()).toEqual(wanted.map(({ id }) => id).sort());
				for (const [i, a] of places.entries()) {
					expect(a.xMm).toBeGreaterThanOrEqual(15 - 1e-6);
					expect(a.yMm).toBeGreaterThanOrEqual(15 - 1e-6);
					expect(a.xMm + a.widthMm).toBeLessThanOrEqual(425 + 1e-6);
					expect(a.yMm + a.heightMm).toBeLessThanOrEqual(325 + 1e-6);
					for (const b of places.slice(i + 1)) {
						const gapX = Math.max(b.xMm - a.xMm - a.widthMm, a.xMm - b.xMm - b.widthMm);
						const gapY = Math.max(b.yMm - a.yMm - a.heightMm, a.yMm - b.yMm - b.heightMm);
						expect(Math.max(gapX, gapY)).toBeGreaterThanOrEqual(clearance - 1e-6);
					}
				}
			}),
		);
	});

	it("puts twelve 95 mm tiles where twelve fit, turns what only fits turned, leaves what does not fit", () => {
		const tiles = Array.from({ length: 13 }, (_, i) => ({ id: `t${i}`, widthMm: 95, heightMm: 95 }));
		const packed = packShelf(tiles, shelf, 5);
		expect(packed.places).toHaveLength(12);
		expect(packed.left).toHaveLength(1);
		expect(fillShare(packed.places, shelf)).toBeGreaterThan(0.8);
		expect(packShelf([{ id: "long", widthMm: 20, heightMm: 400 }], shelf, 5).places[0]?.turned).toBe(true);
		expect(packShelf([{ id: "big", widthMm: 420, heightMm: 420 }], shelf, 5).left).toHaveLength(1);
	});
});

describe("trays", () => {
	it("never mix family, level or band, and the earliest promise comes first", () => {
		const trays = traysOf([
			piece("a"),
			piece("b", { level: "tack" }),
			piece("c", { familyId: "96" }),
			piece("d", { thick: 12 }),
			piece("e", { promised: "2031-03-01", level: "tack" }),
		]);
		expect(trays.map(({ key }) => key).length).toBe(4);
		expect(trays[0]?.pieces.map(({ id }) => id)).toEqual(["e", "b"]);
	});

	it.each([
		[6, 6.5],
		[6.5, 6.5],
		[6.6, 9.5],
		[50, Number.POSITIVE_INFINITY],
	])("%f mm is in the band to %f", (mm, upTo) => expect(bandOf(mm).upToMm).toBe(upTo));
});

describe("a proposed load", () => {
	it("says who sets each part and what each costs", () => {
		const result = proposeLoad(
			[piece("a"), piece("b", { body: { trappedSpanMm: 100 } }), piece("c", { thick: 6.4 })],
			kiln,
			[FAMILY_90],
			schools,
		);
		if (!result.ok) throw new Error(firstSaid(result.problems));
		const { setBy, costHours, places, openS, kwh } = result.value;
		expect(places).toHaveLength(3);
		expect(setBy).toMatchObject({ air: ["b"], soak: ["c"] });
		expect(costHours.b).toBeGreaterThan(0.2);
		expect(costHours.a).toBeCloseTo(0, 6);
		const { needs, gets } = result.value;
		expect(Object.keys(needs).sort()).toEqual(["a", "b", "c"]);
		for (const its of Object.values(needs)) {
			expect(gets.soakMin).toBeGreaterThanOrEqual(its.soakMin);
			expect(gets.airMin).toBeGreaterThanOrEqual(its.airMin);
			expect(gets.coolCPerH).toBeLessThanOrEqual(its.coolCPerH);
		}
		expect(needs.c?.soakMin).toBe(gets.soakMin);
		expect(needs.b?.airMin).toBe(gets.airMin);
		expect(openS / 3600).toBeGreaterThan(14); // common practice: 14–18 h and about 4 more to open
		expect(openS / 3600).toBeLessThan(24);
		expect(kwh).toBeGreaterThan(8);
	});

	it("takes promised pieces first and leaves over what does not fit", () => {
		const many = Array.from({ length: 14 }, (_, i) =>
			piece(`t${String(i).padStart(2, "0")}`, { size: [90, 90], promised: i === 13 ? "2031-01-01" : null }),
		);
		const result = proposeLoad(many, kiln, [FAMILY_90], schools);
		expect(result.ok && result.value.places.map(({ id }) => id)).toContain("t13");
		expect(result.ok && result.value.leftIds.length).toBe(2);
	});

	const tall = { ...kiln, upper: [{ postMm: 40, offsetK: 0 }] };
	it("goes on a second shelf where the first is full; both hold heat, and it is opened later", () => {
		const many = Array.from({ length: 20 }, (_, i) => piece(`t${i}`, { size: [90, 90] }));
		const [low, high] = [
			proposeLoad(many.slice(0, 12), tall, [FAMILY_90], schools),
			proposeLoad(many, tall, [FAMILY_90], schools),
		];
		if (!low.ok || !high.ok) throw new Error("no load");
		expect([low.value.shelves, high.value.shelves]).toEqual([1, 2]);
		expect(high.value.leftIds).toEqual([]);
		expect(high.value.fill).toBeLessThan(low.value.fill);
		expect(high.value.openS).toBeGreaterThan(low.value.openS);
		expect(high.value.kwh).toBeGreaterThan(low.value.kwh * 1.05);
	});
	it.each([
		["too high under another shelf", { thick: 45 }, [0, 1], "K-a is too high for its shelf"],
		["on a shelf the kiln has not", {}, [2, 0], "does not use"],
		["on two shelves, as it fits", {}, [0, 1], undefined],
	] as const)("by hand: %s", (_, change, [a, b], words) => {
		const laid = [
			{ id: "a", xMm: 200, yMm: 170, turnDeg: 0, shelf: a },
			{ id: "b", xMm: 200, yMm: 170, turnDeg: 0, shelf: b },
		];
		const result = proposeLoad([piece("a", change), piece("b")], tall, [FAMILY_90], schools, { laid });
		expect(result.ok ? undefined : firstSaid(result.problems)).toEqual(words && expect.stringContaining(words));
	});
	describe("of two families on halves", () => {
		const mixing = { ...schools, mixFamilies: true };
		const both = [FAMILY_90, FAMILY_96];
		const pieces = (level: FuseLevel, n = 8) =>
			Array.from({ length: n }, (_, i) => piece(`t${i}`, { size: [80, 80], level, familyId: i % 2 ? "96" : "90" }));
		it.each(["slump", "tack", "contour", "full"] as const)(
			"%s: each on its half, both in their band by one peak (the integral over the curve), annealed at the warmer soak",
			(level) => {
				const result = proposeLoad(pieces(level), kiln, both, mixing);
				if (!result.ok) throw new Error(firstSaid(result.problems));
				const { places, schedule, leftIds } = result.value;
				expect(leftIds).toEqual([]);
				for (const { id, xMm, widthMm } of places) {
					const is96 = Number(id.slice(1)) % 2 === 1;
					if (is96) expect(xMm - widthMm / 2).toBeGreaterThan(220 + 10 - 1e-6);
					else expect(xMm + widthMm / 2).toBeLessThan(220 - 10 + 1e-6);
				}
				for (const family of both) {
					const flow = flowIndex(viscosityOf(family), feltCurve(curveOf(schedule, kiln.body), kiln.body));
					expect(flow).toBeGreaterThan(LEVEL_BANDS[level].from);
					expect(flow).toBeLessThan(LEVEL_BANDS[level].to);
				}
				expect(schedule.segments.find(({ name }) => name === "drop")?.targetC).toBe(482);
			},
		);
		it.each([
			["where the studio does not mix", pieces("full"), both, schools, {}, "one load takes one family"],
			[
				"whose annealing is too far apart",
				pieces("full"),
				[FAMILY_90, { ...FAMILY_96, annealingC: 480 }],
				mixing,
				{},
				"No one schedule suits both",
			],
			[
				"on the other's half",
				pieces("full", 2),
				both,
				mixing,
				{ laid: [100, 150].map((xMm, i) => ({ id: `t${i}`, xMm, yMm: 100 + 130 * i, turnDeg: 0, shelf: 0 })) },
				"K-t1 is not on its family’s half",
			],
		] as const)("refused %s", (_, some, families, how, wish, words) => {
			const result = proposeLoad(some, kiln, families, how, wish);
			expect(!result.ok && firstSaid(result.problems)).toContain(words);
		});
	});

	it("keeps tack out of a corner that would make it contour, and refuses it there by hand", () => {
		const hot = { xMm: 0, yMm: 0, widthMm: 220, heightMm: 340, offsetK: 25 };
		const tacks = Array.from({ length: 12 }, (_, i) => piece(`t${i}`, { size: [90, 90], level: "tack" }));
		const into = { ...kiln, uneven: [hot] };
		const result = proposeLoad(tacks, into, [FAMILY_90], schools);
		if (!result.ok) throw new Error(firstSaid(result.problems));
		expect(result.value.places.length).toBeGreaterThan(3);
		expect(result.value.places.every(({ xMm }) => xMm >= 220 + 45)).toBe(true);
		const laid = [{ id: "t0", xMm: 100, yMm: 170, turnDeg: 0, shelf: 0 }];
		const byHand = proposeLoad(tacks.slice(0, 1), into, [FAMILY_90], schools, { laid });
		expect(!byHand.ok && firstSaid(byHand.problems)).toMatch(
			/K-t0 would come out contour where it lies: it is 25 °C hotter/,
		);
	});

	it.each([
		["nothing", [], "No piece"],
		["another family", [piece("a", { familyId: "96" })], "K-a is of another family"],
		["two levels", [piece("a"), piece("b", { level: "tack" })], "different fuse levels"],
		["too large", [piece("a", { size: [500, 500] })], "fits on this shelf"],
		["too high", [piece("a", { thick: 200 })], "K-a is too high for this kiln"],
	])("refuses %s with a sentence", (_, pieces, words) => {
		const result = proposeLoad(pieces, kiln, [FAMILY_90], schools);
		expect(!result.ok && firstSaid(result.problems)).toContain(words);
	});

	it("refuses untested glass and a kiln that is too cool", () => {
		const untested = proposeLoad(
			[piece("a", { familyId: "x" })],
			kiln,
			[{ ...FAMILY_96, id: "x", tested: false }],
			schools,
		);
		expect(!untested.ok && firstSaid(untested.problems)).toContain("untested");
		const cool = proposeLoad([piece("a")], { ...kiln, maxC: 700 }, [FAMILY_90], schools);
		expect(!cool.ok && firstSaid(cool.problems)).toMatch(/needs \d+ °C/);
	});

	it("gives thick pieces room to spread, and trusts the scales before the rule of thumb", () => {
		const widthOf = (thick: number) => boundsOf([footprintOf(piece("a", { thick }))]).widthMm;
		expect(widthOf(12)).toBeGreaterThan(115);
		expect(widthOf(3)).toBe(100);
		expect(edgeOf(piece("a", { thick: 3 }).body)).toBeLessThan(0);
		const made = { widthMm: 100, heightMm: 100, thickestMm: 9, thinnestMm: 3 };
		expect(measured({ ...made, massG: 150 }).meanMm).toBeCloseTo(6);
		expect(measured({ ...made, massG: 100 }).meanMm).toBeCloseTo(4);
	});
});
