import { byId } from "@core/by-id";
import { demandOf } from "@core/firing/demand";
import { demandOfDocument, newSchedule } from "@core/firing/document";
import type { FuseLevel } from "@core/firing/level";
import { USUAL_PACE } from "@core/firing/schools";
import { FAMILY_90 } from "@core/glass/family";
import { asMadeAt } from "@core/journey/as-made-differs";
import type { AsMade } from "@core/journey/events";
import { type Journey, journeyOf } from "@core/journey/journey";
import type { KitDesign } from "@core/kit/kit";
import { pieceRoute } from "@core/kit/kit";
import { jobsOf } from "@core/loading/plan/piece-jobs";
import { bodiesAhead, bodyOfJourney, type KitShape } from "@core/piece/of-journey";
import type { KitBody, PieceBody } from "@core/piece/piece-body";
import { toFire } from "@core/piece/to-fire";
import { readKit } from "@core/stack/read-kit";
import { stackOf } from "@core/stack/stack";
import { surveyOf } from "@core/stack/survey";
import { lotToFire } from "@core/stock/lots";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { KITS } from "../../demo/kits";
import { FAMILIES, GLASSES, MOULDS } from "../../demo/studio";
import { bar, box, cut, disc, fire, kit, lay, square, book as testBook } from "../support/kit";
import { cases } from "../support/thorough";

/** One piece in one firing is told in one way, wherever it is told: bench, hand-in, trays, plan and schedule. */
const demo = {
	glasses: byId(GLASSES),
	families: byId(FAMILIES),
	moulds: byId(MOULDS),
};
const studio = testBook();

const MADE: [string, KitDesign, typeof studio][] = [
	...KITS.map((design): [string, KitDesign, typeof studio] => [design.name, design, demo]),
	[
		"glass added at tack",
		kit([cut(square(120)), cut(bar(100, 20), 1, 0, 0, "clear", { firing: 1 })], fire("full", "tack")),
		studio,
	],
	[
		"powder, then parts, then a slump",
		kit([cut(box(200, 100)), cut(disc(60), 1, 0, 0, "clear", { firing: 1 })], fire("sinter", "contour", "slump")),
		studio,
	],
	["loose squares", kit([-30, -10, 10, 30].map((x) => cut(square(12), 0, x, 0, "clear", { loose: true }))), studio],
	[
		"upside down",
		kit([cut(square(90)), cut(square(40), 1)], [{ level: "full", handWork: "", turnedOver: true }]),
		studio,
	],
];

const shapeOf = (design: KitDesign, book: typeof studio): KitShape & { bodies: KitBody[] } => {
	const { bodies = [], outlines = [] } = readKit(design, book);
	return { bodies, outlines };
};

/** What somebody measures of the piece as its kit lays it, a little larger and higher. */
const madeOf = (
	{ widthMm, heightMm, thickestMm, insertMm, thinnestMm }: KitBody,
	by: number,
	weigh: boolean,
): AsMade => ({
	widthMm: widthMm + by,
	heightMm: heightMm + by,
	thickestMm: thickestMm + insertMm + by / 4,
	thinnestMm: Math.min(thickestMm, thinnestMm + by / 8),
	massG: weigh ? 120 : null,
	changed: "",
});

/** A piece of a kit that was handed in, judged and sent on until it waits for a firing of its route. */
function waiting(design: KitDesign, made: AsMade, step: number): Journey {
	const route = pieceRoute(design);
	const at = "2031-03-08T10:00:00.000Z";
	const judged = (level: FuseLevel) => [
		{ type: "placed" as const, firingId: "f" },
		{ type: "firingStarted" as const, firingId: "f" },
		{ type: "judged" as const, firingId: "f", level, faults: [], next: "nextFiring" as const, note: "" },
	];
	const events = [
		{ type: "issued" as const, route },
		{ type: "handedIn" as const, asMade: made, glue: "none" as const, readyFrom: at, level: route[0]?.level ?? "full" },
		...route.slice(0, step).flatMap(({ level }) => judged(level)),
	];
	return journeyOf(events.map((event, i) => ({ ...event, seq: i + 1, at })));
}

describe.each(MADE)("%s", (_, design, book) => {
	const shape = shapeOf(design, book);
	const route = pieceRoute(design);

	it("has a body for each firing of its piece", () => expect(shape.bodies).toHaveLength(route.length));

	it("is on the bench what its kit’s body says, in every firing of its piece", () => {
		const { firings } = surveyOf(stackOf(design, book));
		const before = design.route.length - route.length;
		shape.bodies.forEach((body, i) => {
			const journey = waiting(design, madeOf(body, 0, false), i);
			const planned = bodyOfJourney(shape, { ...journey, asMade: undefined }) as PieceBody;
			const outlook = firings[before + i];
			expect(outlook?.effectiveMm).toBe(planned.effectiveMm);
			const asks = demandOf(toFire("", planned), USUAL_PACE);
			expect({ airMin: outlook?.airMin, soakMin: outlook?.soakMin, coolCPerH: outlook?.coolCPerH }).toEqual({
				airMin: asks.airMin,
				soakMin: asks.soakMin,
				coolCPerH: asks.coolCPerH,
			});
		});
	});

	it("is the same at hand-in, in its tray, in the plan and on the schedule bench, whatever was measured", () => {
		for (const by of [0, 1.7, -0.9])
			for (let step = 0; step < route.length; step++) {
				const first = shape.bodies[0];
				if (!first) continue;
				const made = madeOf(first, by, step % 2 === 1);
				const journey = waiting(design, made, step);
				expect(journey.step).toBe(step);
				const body = bodyOfJourney(shape, journey) as PieceBody;
				if (step === 0) expect(asMadeAt(first, made, body.level).effectiveMm).toBe(body.effectiveMm);
				const ahead = bodiesAhead(shape, journey);
				expect(ahead[0]).toEqual(body);
				const [job] = jobsOf(
					{ id: "a", familyId: "90", promised: null },
					ahead.map((one) => ({ body: one as PieceBody, handWork: "" })),
					{ judge: 2, coldWork: 2 },
					new Map(),
				);
				expect(job?.toFire).toEqual(toFire("a", body));
				const document = newSchedule("", FAMILY_90, undefined, [toFire("a", body)]);
				const {
					setBy: __,
					band: ___,
					...asks
				} = demandOfDocument(document) as NonNullable<ReturnType<typeof demandOfDocument>>;
				expect(asks).toEqual(demandOf(toFire("a", body), USUAL_PACE));
				// What the plan says today of a later firing is what the tray says once it waits for that.
				if (step > 0 && made.massG === null) {
					const planned = bodiesAhead(shape, waiting(design, made, 0))[step];
					expect(planned?.effectiveMm).toBe(body.effectiveMm);
				}
			}
	});
});

describe("small bodies", () => {
	// Dots under 15 mm and no higher than two singles need no limit on the way up. Common practice, no source.
	const ramp = (...of: Parameters<typeof kit>) => {
		const shape = shapeOf(kit(...of), studio);
		const its = bodyOfJourney(shape, waiting(kit(...of), madeOf(shape.bodies[0] as KitBody, 0, false), 0)) as PieceBody;
		return { ramp: demandOf(toFire("", its), USUAL_PACE).firstRampCPerH, acrossMm: its.acrossMm };
	};
	const grid = (sideMm: number, high: number) =>
		Array.from({ length: 24 }, (_, i) =>
			Array.from({ length: high }, (__, layer) =>
				cut(square(sideMm), layer, (i % 6) * 22, Math.floor(i / 6) * 22, "clear", { loose: true }),
			),
		).flat();

	it("two dozen loose squares of two singles are as large as one of them, and go straight up", () => {
		expect(ramp(grid(10, 2))).toEqual({ ramp: "full", acrossMm: 10 });
		expect(ramp(grid(10, 3)).ramp).not.toBe("full");
		expect(ramp(grid(18, 2)).ramp).not.toBe("full");
	});

	it("are as many and as wide apart when only one of them was measured", () => {
		const document = kit(grid(10, 2));
		const shape = shapeOf(document, studio);
		const one = { widthMm: 10.4, heightMm: 10.1, thickestMm: 6.4, thinnestMm: 6.2, massG: 1.6, changed: "" };
		const kitOf = shape.bodies[0] as KitBody;
		const body = bodyOfJourney(shape, waiting(document, one, 0)) as PieceBody;
		expect(body).toMatchObject({ widthMm: kitOf.widthMm, heightMm: kitOf.heightMm, thickestMm: 6.4, from: "measured" });
		expect(body.massG).toBeGreaterThan(kitOf.massG);
	});

	it("many alike, loose, and several kinds of them together, ask for no more than the one of them that asks for most", () => {
		const body = fc.record({
			sideMm: fc.integer({ min: 8, max: 90 }),
			high: fc.integer({ min: 1, max: 5 }),
			onTop: fc.boolean(),
			level: fc.constantFrom<FuseLevel>("tack", "contour", "full"),
		});
		type Made = { sideMm: number; high: number; onTop: boolean };
		const stack = ({ sideMm, high, onTop }: Made, xMm: number) => [
			...Array.from({ length: high }, (_, layer) =>
				cut(square(sideMm), layer, xMm, 0, "clear", { id: `${xMm} ${layer}`, loose: true }),
			),
			...(onTop ? [cut(square(sideMm / 2), high, xMm, 0, "clear", { id: `${xMm} top`, loose: true })] : []),
		];
		const asks = (of: readonly Made[], level: FuseLevel) => {
			const document = kit(
				of.flatMap((one, i) => stack(one, i * 120)),
				fire(level),
			);
			const [its] = shapeOf(document, studio).bodies;
			const body = bodyOfJourney(shapeOf(document, studio), waiting(document, madeOf(its as KitBody, 0, false), 0));
			const { firstRampCPerH, soakMin, coolCPerH, airMin } = demandOf(toFire("", body as PieceBody), USUAL_PACE);
			return [firstRampCPerH === "full" ? 0 : 1 / firstRampCPerH, soakMin, 1 / coolCPerH, airMin];
		};
		fc.assert(
			fc.property(
				body,
				fc.array(body, { minLength: 1, maxLength: 3 }),
				fc.integer({ min: 2, max: 9 }),
				(one, more, n) => {
					const alike = asks(
						Array.from({ length: n }, () => one),
						one.level,
					);
					for (const [i, most] of asks([one], one.level).entries()) expect(alike[i]).toBeLessThanOrEqual(most + 1e-9);
					const each = [one, ...more].map((its) => asks([its], one.level));
					for (const [i, all] of asks([one, ...more], one.level).entries())
						expect(all).toBeLessThanOrEqual(Math.max(...each.map((its) => its[i] as number)) + 1e-9);
				},
			),
			{ numRuns: cases(200, 12) },
		);
	});

	it("that are not alike keep their own heights when they are fired again, and one of them that was measured makes no other thinner", () => {
		const loose = (sideMm: number, high: number, xMm: number) =>
			Array.from({ length: high }, (_, layer) => cut(square(sideMm), layer, xMm, 0, "clear", { loose: true }));
		const two = kit([...loose(60, 4, 0), ...loose(40, 1, 100)], fire("tack"));
		const its = shapeOf(two, studio);
		const [kitOf] = its.bodies as [KitBody];
		const whole = waiting(two, madeOf(kitOf, 0, false), 0);
		const cold = bodyOfJourney(its, whole) as PieceBody;
		const again = bodyOfJourney(its, { ...whole, again: true, hadLevel: "tack" }) as PieceBody;
		expect(cold).toMatchObject({ thickestMm: 12, thinnestMm: 3 });
		// Both are even by themselves: no level makes them anneal as more than their own 12 mm.
		expect(cold.effectiveMm).toBeLessThanOrEqual(12);
		expect(again.thickestMm).toBeCloseTo(12, 5);
		expect(again.effectiveMm).toBeCloseTo(cold.effectiveMm, 5);
		const small = { widthMm: 40, heightMm: 40, thickestMm: 3.1, thinnestMm: 3.1, massG: null, changed: "" };
		expect((bodyOfJourney(its, waiting(two, small, 0)) as PieceBody).effectiveMm).toBeCloseTo(cold.effectiveMm, 5);
		const thick = { ...small, widthMm: 60, heightMm: 60, thickestMm: 13, thinnestMm: 13 };
		expect((bodyOfJourney(its, waiting(two, thick, 0)) as PieceBody).thickestMm).toBeCloseTo(13, 5);
		// Parts that are not meant to come apart are one: they may hold where they touch.
		const meant = kit(
			two.parts.map((part) => ({ ...part, loose: undefined })),
			fire("tack"),
		);
		expect(shapeOf(meant, studio).bodies[0]?.alone).toBeUndefined();
	});

	it("and so does a lot of them", () => {
		const of = (sizeMm: number | null) => demandOf(lotToFire("dots", sizeMm), USUAL_PACE).firstRampCPerH;
		expect([of(9), of(14.9), of(15), of(null)]).toEqual(["full", "full", 222, 222]);
	});
});

describe("glass that is added later", () => {
	/** 4 mm of base, powder on it, then lumps and strips to 9 mm: what a panel of three firings is. */
	const panel = kit(
		[
			cut(box(400, 200)),
			lay({ kind: "grains", shape: box(380, 180), glassId: "powder", gPerCm2: 0.18 }, 1, 0, 0, { firing: 1 }),
			cut(box(120, 60), 2, -80, 0, "clear", { firing: 2 }),
			cut(box(80, 40), 3, -80, 0, "clear", { firing: 2 }),
			cut(box(60, 30), 2, 90, 20, "clear", { firing: 2 }),
		],
		fire("full", "sinter", "tack"),
	);
	const shape = shapeOf(panel, studio);
	const made = { widthMm: 400, heightMm: 200, thickestMm: 3.7, thinnestMm: 3.3, massG: null, changed: "" };

	it("is annealed with the piece although nobody measured it again, and that is asked for", () => {
		const before = bodyOfJourney(shape, waiting(panel, made, 0)) as PieceBody;
		const then = bodyOfJourney(shape, waiting(panel, made, 2)) as PieceBody;
		expect(before.from).toBe("measured");
		expect(then).toMatchObject({ from: "measuredBefore", level: "tack", fired: true });
		expect(then.thickestMm).toBeGreaterThan(9);
		const soak = (body: PieceBody) => demandOf(toFire("", body), USUAL_PACE).soakMin;
		expect(soak(then)).toBeGreaterThan(4 * soak(before));
	});

	it("is never thinner or more even for what was measured before a firing since", () => {
		const overlaid = kit(
			[cut(square(120)), cut(square(60), 1), cut(square(60), 2), cut(square(60), 3)],
			fire("tack", "full", "slump"),
		);
		const its = shapeOf(overlaid, studio);
		const low = { widthMm: 120, heightMm: 120, thickestMm: 9, thinnestMm: 5, massG: null, changed: "" };
		its.bodies.forEach((kitBody, step) => {
			const body = bodyOfJourney(its, waiting(overlaid, low, step)) as PieceBody;
			if (step === 0) expect(body).toMatchObject({ thickestMm: 9, thinnestMm: 5 });
			else expect(body.thickestMm).toBeGreaterThanOrEqual(kitBody.thickestMm);
			expect(body.thinnestMm).toBeLessThanOrEqual(step === 0 ? 5 : kitBody.thinnestMm);
		});
	});

	it("counts as measured once somebody measured it with that", () => {
		const journey = waiting(panel, made, 2);
		const now = { widthMm: 402, heightMm: 201, thickestMm: 10.2, thinnestMm: 3.6, massG: null, changed: "" };
		const measured = { ...journey, asMade: now, madeAt: { step: 2, again: false } };
		const body = bodyOfJourney(shape, measured) as PieceBody;
		expect(body).toMatchObject({ from: "measured", thickestMm: 10.2, thinnestMm: 3.6, widthMm: 402 });
	});

	it("fired again, its heights are what that firing left, and no air is trapped", () => {
		const two = kit([cut(square(120)), cut(square(120), 1), cut(square(60), 2)]);
		const its = shapeOf(two, studio);
		const journey = waiting(two, madeOf(its.bodies[0] as KitBody, 0, false), 0);
		const [cold, again] = [journey, { ...journey, again: true, hadLevel: "full" as const }].map(
			(one) => bodyOfJourney(its, one) as PieceBody,
		);
		expect(cold).toMatchObject({ thickestMm: 9, trappedSpanMm: 120, fired: false });
		expect(again).toMatchObject({ trappedSpanMm: 0, fired: true });
		expect(again?.thickestMm).toBeLessThan(8);
		expect(again?.thickestMm).toBeGreaterThan(6);
	});

	it("a sheet more under all of it makes it higher; turned over, weight and hours of an even piece stay", () => {
		const sheet = fc.record({
			sideMm: fc.integer({ min: 20, max: 90 }),
			xMm: fc.integer({ min: -40, max: 40 }),
			level: fc.constantFrom<FuseLevel>("tack", "contour", "full"),
		});
		fc.assert(
			fc.property(fc.array(sheet, { minLength: 1, maxLength: 4 }), sheet, (some, { level }) => {
				const parts = [cut(square(180)), ...some.map(({ sideMm, xMm }, i) => cut(square(sideMm), i + 1, xMm, 0))];
				// Its soak may be shorter all the same: what is added makes it more even.
				const over = (all: typeof parts) => all.map((one) => ({ ...one, layer: one.layer + 1 }));
				const asks = (all: typeof parts, more = {}) => {
					const [body] = shapeOf(kit(all, [{ level, handWork: "", ...more }]), studio).bodies;
					return body as KitBody;
				};
				const [without, within] = [asks(parts), asks([cut(square(180)), ...over(parts)])];
				const even = [cut(square(100)), cut(square(100), 1)];
				const [up, down] = [asks(even), asks(even, { turnedOver: true })];
				expect(within.thickestMm).toBeGreaterThan(without.thickestMm);
				expect(down).toEqual({ ...up, turnedOver: true });
			}),
			{ numRuns: cases(200, 20) },
		);
	});
});
