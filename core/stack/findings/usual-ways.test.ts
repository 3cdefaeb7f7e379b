import { describe, expect, it } from "vitest";
import { bar, book, box, cut, disc, fire, glass, kit, lay, square } from "../../../tests/support/kit";
import { soakMinOf } from "../../firing/demand";
import type { CutShape } from "../../geometry/shape";
import { applyChanges } from "../../kit/change";
import type { KitDesign, KitPart } from "../../kit/kit";
import { METRIC, phraseText } from "../../units/phrase";
import { heatedThrough, routeStacks } from "../firing-stacks";
import { readingOf, readKit } from "../read-kit";
import { stackOf } from "../stack";
import type { FindingCode } from "./titles";

/** Kits as people make them, and what somebody of the trade expects to be told. Common practice, no source. */
const studio = (() => {
	const its = book();
	const more = [
		glass("clear powder", { form: "frit", grade: "powder", opacity: "clear", thicknessMm: 0 }),
		glass("red powder", { form: "frit", grade: "powder", chemistry: ["selenium"], thicknessMm: 0 }),
		glass("blue powder", { form: "frit", grade: "powder", chemistry: ["copper"], thicknessMm: 0 }),
	];
	return { ...its, glasses: new Map([...its.glasses, ...more.map((one) => [one.id, one] as const)]) };
})();

const findings = (design: KitDesign, code: FindingCode) =>
	readKit(design, studio).findings.filter((one) => one.code === code);
const strewn = (glassId: string, shape: CutShape, layer = 1, x = 0, y = 0, gPerCm2 = 0.1): KitPart =>
	lay({ kind: "grains", shape, glassId, gPerCm2 }, layer, x, y);

describe("powders that react", () => {
	const base = [cut(square(100)), cut(square(100), 1)];
	const reacting = {
		"side by side": [strewn("red powder", box(50, 100), 2, -25), strewn("blue powder", box(50, 100), 2, 25)],
		"a disc in a field with a hole": [
			strewn("red powder", disc(40), 2),
			strewn("blue powder", { kind: "ring", diameterMm: 90, holeMm: 40 }, 2),
		],
		"one strewn over the other": [strewn("red powder", square(90), 2), strewn("blue powder", disc(50), 3)],
		"powder beside a cut": [cut(box(30, 90), 2, -30, 0, "copper"), strewn("red powder", box(40, 90), 2, 5)],
		"powder under a cut": [strewn("red powder", square(90), 2), cut(disc(50), 3, 0, 0, "copper")],
	};
	it.each(Object.entries(reacting))("%s: a press parts them with neutral powder", (_, parts) => {
		const design = kit([...base, ...parts]);
		const [reaction] = findings(design, "reaction");
		expect(phraseText(reaction?.remedy ?? [], METRIC)).toContain("5 mm of neutral powder");
		const mended = applyChanges(design, reaction?.fix?.changes ?? []);
		expect(findings(mended, "reaction")).toEqual([]);
		expect(readKit(mended, studio).findings.filter(({ severity }) => severity !== "know")).toEqual([]);
	});

	it("between two fields side by side 5 mm of one become the band, and nothing of the glass is lost", () => {
		const design = kit([...base, ...reacting["side by side"]]);
		const mended = applyChanges(design, findings(design, "reaction")[0]?.fix?.changes ?? []);
		const area = (id: string) =>
			stackOf(mended, studio)
				.glass.filter((one) => one.glass?.id === id)
				.reduce((sum, one) => sum + one.areaMm2, 0);
		expect(area("clear powder")).toBeCloseTo(500, 0);
		expect(area("red powder") + area("blue powder")).toBeCloseTo(9500, 0);
		expect(readKit(mended, studio).massG).toBeCloseTo(readKit(design, studio).massG, 2);
	});

	it("without neutral powder nothing is offered that cannot be strewn", () => {
		const bare = { ...studio, glasses: new Map([...studio.glasses].filter(([id]) => id !== "clear powder")) };
		const design = kit([...base, ...reacting["side by side"]]);
		const [reaction] = readKit(design, bare).findings.filter(({ code }) => code === "reaction");
		expect(reaction).toBeDefined();
		expect(reaction?.fix).toBeUndefined();
	});
});

describe("parts beside each other", () => {
	it.each([40.6, 41, 42])(
		"stacks of three singles at %d mm run together: not told that they pull away too",
		(pitch) => {
			const design = kit([0, 1, 2].flatMap((i) => [0, 1, 2].map((layer) => cut(square(40), layer, i * pitch))));
			expect(findings(design, "will-meet")).toHaveLength(1);
			expect(findings(design, "loose")).toEqual([]);
		},
	);

	it("singles beside each other pull away: not told that the gap closes too", () => {
		const design = kit([0, 1, 2].map((i) => cut(square(40), 0, i * 40.6)));
		expect(findings(design, "loose")).toHaveLength(1);
		expect(findings(design, "will-meet")).toEqual([]);
	});

	it.each([98, 100, 102])("threads of %d mm across a base of 100 mm leave no gap over bare shelf", (length) => {
		const threads = [0, 1, 2, 3].map((i) =>
			lay(
				{
					kind: "thread",
					glassId: "thread",
					points: [
						{ x: -length / 2, y: 0 },
						{ x: length / 2, y: 0 },
					],
				},
				2,
				0,
				-16.5 + i * 11,
			),
		);
		const design = kit([cut(square(100)), cut(square(100), 1), ...threads]);
		expect(findings(design, "will-meet")).toEqual([]);
	});

	it("thick feet over a bridge still close the gap that lies over bare shelf", () => {
		const feet = [0, 34].flatMap((x) => [0, 1, 2, 3].map((layer) => cut(square(30), layer, x)));
		expect(findings(kit([...feet, cut(bar(20, 6), 4, 17)]), "will-meet")).toHaveLength(1);
	});
});

describe("a cap over a coating", () => {
	const capped = (base: CutShape, coated: CutShape, cap: CutShape) =>
		kit([cut(base), cut(coated, 1, 0, 0, "coated"), cut(cap, 2)]);

	it("that has no room for what it draws in is cut as large as its base bears: there it goes with it", () => {
		const design = capped(box(30, 40), box(24, 34), box(25, 35));
		const [short] = findings(design, "cap-short");
		expect(phraseText(short?.remedy ?? [], METRIC)).toContain("Cut the cap 29 mm × 39 mm");
		const mended = applyChanges(design, short?.fix?.changes ?? []);
		expect(readKit(mended, studio).findings.filter(({ code }) => code.startsWith("cap"))).toEqual([]);
	});

	it.each([
		[box(30, 40), box(28, 38)],
		[square(50), square(49)],
		[disc(36), disc(35)],
	])("on %j over %j no cap covers: told so, and mended by a smaller coating", (base, coated) => {
		const design = capped(base, coated, coated);
		const [short, ...others] = findings(design, "cap-short");
		expect(others).toEqual([]);
		expect(phraseText(short?.sentence ?? [], METRIC)).toMatch(/^No cap covers/);
		const mended = applyChanges(design, short?.fix?.changes ?? []);
		expect(readKit(mended, studio).findings.filter(({ code }) => code.startsWith("cap"))).toEqual([]);
	});
});

describe("an edge", () => {
	const slab = [0, 1, 2, 3].map((layer) => cut(square(90), layer));
	it("is told what this firing does to it: a slump after a full fuse moves none", () => {
		const [, slump] = routeStacks(stackOf(kit(slab, fire("full", "slump")), studio));
		expect(readingOf(heatedThrough(slump as never)).findings.map(({ code }) => code)).not.toContain("spreads");
	});

	it("fused fully twice goes on spreading, by less than at first", () => {
		const mm = (design: KitDesign, firing: number) => {
			const stack = heatedThrough(routeStacks(stackOf(design, studio))[firing] as never);
			const told = readingOf(stack).findings.find(({ code }) => code === "spreads");
			return Number(/up to ([\d.]+) mm/.exec(phraseText(told?.sentence ?? [], METRIC))?.[1] ?? 0);
		};
		const twice = kit(slab, fire("full", "full"));
		expect(mm(twice, 1)).toBeGreaterThan(0.5);
		expect(mm(twice, 1)).toBeLessThan(mm(twice, 0));
	});
});

describe("coarse frit on what has to end flat", () => {
	const on = (...parts: KitPart[]) => kit([cut(disc(100)), cut(disc(100), 1), ...parts], fire("full"), { flat: true });
	it("along the rim is something to know", () => {
		const [lumps] = findings(on(strewn("coarse", { kind: "ring", diameterMm: 100, holeMm: 76 }, 2)), "lumps");
		expect(lumps?.severity).toBe("know");
	});
	it("further in it is to be mended, beside a rim too", () => {
		const rim = strewn("coarse", { kind: "ring", diameterMm: 100, holeMm: 76 }, 2);
		const both = findings(on(rim, strewn("coarse", disc(20), 2)), "lumps");
		expect(both.map(({ severity }) => severity)).toEqual(["fix", "know"]);
		expect(both.map(({ partIds }) => partIds.length)).toEqual([1, 1]);
	});
	it("on a piece too small to have a rim it is to be mended", () => {
		const tiny = kit([cut(disc(25)), cut(disc(25), 1), strewn("coarse", disc(25), 2)], fire("full"), { flat: true });
		expect(findings(tiny, "lumps").map(({ severity }) => severity)).toEqual(["fix"]);
	});
});

describe("the smallest soak", () => {
	it("is half an hour wherever it is told", () => {
		expect(soakMinOf(0.8)).toBe(30);
		const across = [-20, 20].map((x) => ({ x, y: 0 }));
		const thread = lay({ kind: "thread", glassId: "thread", points: across }, 1);
		const thin = kit([strewn("powder", square(60), 0, 0, 0, 0.05), thread], fire("tack"));
		const [uneven] = findings(thin, "uneven");
		expect(phraseText(uneven?.remedy ?? [], METRIC)).toContain("30 min");
	});
});
