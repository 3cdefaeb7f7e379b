import type { FuseLevel } from "@core/firing/level";
import { applyChanges } from "@core/kit/change";
import type { KitDesign, KitPart } from "@core/kit/kit";
import type { Finding } from "@core/stack/finding";
import { FINDING_CODES } from "@core/stack/findings/titles";
import { readKit } from "@core/stack/read-kit";
import { stackOf } from "@core/stack/stack";
import { surveyOf } from "@core/stack/survey";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bar, book, box, cut, disc, fire, kit, lay, mould, square } from "../support/kit";
import { NINETEEN } from "./nineteen-kits";

// What an instructor of the trade would say of each. Common practice, no source.
const studio = book([mould("dish")], 60);
const codes = (design: KitDesign) => readKit(design, studio).findings.map(({ code }) => code);
const find = (design: KitDesign, code: Finding["code"]) =>
	readKit(design, studio).findings.find((one) => one.code === code);
const after = (design: KitDesign, changes: NonNullable<Finding["fix"]>["changes"]) => applyChanges(design, changes);

describe.each(Object.entries(NINETEEN))("%s", (_, { design, tells, hours }) => {
	it("is told what a practitioner would tell, and no more", () => {
		expect(codes(design)).toEqual(tells);
	});
	it("is fired in hours that people believe", () => {
		const firings = surveyOf(stackOf(design, studio)).firings;
		expect(firings).toHaveLength(hours.length);
		firings.forEach((firing, i) => {
			const [least, most] = hours[i] as readonly [number, number];
			expect(firing.hours, firing.level).toBeGreaterThanOrEqual(least);
			expect(firing.hours, firing.level).toBeLessThanOrEqual(most);
		});
	});
	it("every press mends its own finding and makes nothing worse that has to be mended", () => {
		const before = readKit(design, studio).findings;
		const toMend = (findings: readonly Finding[]) => findings.filter(({ severity }) => severity !== "know").length;
		for (const finding of before)
			for (const press of [...(finding.fix ? [finding.fix] : []), ...(finding.orElse ?? [])]) {
				const then = readKit(after(design, press.changes), studio).findings;
				expect(then.map(({ code }) => code)).not.toContain(finding.code);
				expect(toMend(then)).toBeLessThanOrEqual(Math.max(0, toMend(before) - (finding.severity === "know" ? 0 : 1)));
			}
	});
});

describe("joints by the edge", () => {
	const strips = (layers: number, level: FuseLevel, gapMm = 0, edgeMm = 100) =>
		kit(
			[0, 20 + gapMm].flatMap((y) => Array.from({ length: layers }, (_, layer) => cut(bar(edgeMm, 20), layer, 0, y))),
			fire(level),
		);
	// Common practice, no source: singles pull apart, two high close up; nothing sticks below tack.
	it.each<[string, KitDesign, boolean]>([
		["two high, full", strips(2, "full"), true],
		["two high, tack", strips(2, "tack"), true],
		["two high, 0.3 mm apart", strips(2, "full", 0.29), true],
		["two high, 0.45 mm apart", strips(2, "full", 0.45), false],
		["two high, along 2 mm only", strips(2, "full", 0, 2), false],
		["singles, full", strips(1, "full"), false],
		["singles, contour", strips(1, "contour"), false],
		[
			"narrow singles, tack",
			kit(
				[0, 10].map((y) => cut(bar(40, 10), 0, 0, y)),
				fire("tack"),
			),
			false,
		],
		["two high, sinter", strips(2, "sinter"), false],
	])("%s", (_, design, holds) => {
		expect(codes(design).includes("edge-joined")).toBe(holds);
		expect(surveyOf(stackOf(design, studio)).after).toHaveLength(holds ? 1 : 2);
	});

	it("two domes hold at one point; a dome beside a square of single does not", () => {
		const dome = (x: number) =>
			lay({ kind: "lump", form: "dome", diameterMm: 10, heightMm: 5, glassId: "clear" }, 0, x);
		expect(codes(kit([dome(0), dome(10)], fire("tack")))).toEqual(["edge-joined"]);
		expect(codes(kit([dome(0), cut(square(10), 0, 10)], fire("tack")))).toContain("loose");
	});

	it("a lump rounded before does not draw in again: its outline stays within a fifth of a millimetre", () => {
		const dome = lay({ kind: "lump", form: "dome", diameterMm: 10, heightMm: 4, glassId: "clear" }, 0);
		const [area] = stackOf(kit([dome], fire("tack")), studio).bodies;
		expect(Math.sqrt((area?.after.areaMm2 ?? 0) / Math.PI)).toBeGreaterThan(4.8);
	});
});

describe("a tip over nothing", () => {
	const tip = (level: FuseLevel, layers: number) =>
		kit([...Array.from({ length: layers }, (_, i) => cut(square(60), i)), cut(bar(40, 10), layers, 35)], fire(level));
	// Common practice, no source.
	it.each<[FuseLevel, number, string[]]>([
		["full", 1, []],
		["full", 2, ["comes-down"]],
		["deep", 3, ["comes-down"]],
		["tack", 1, ["overhang"]],
		["contour", 2, ["overhang"]],
		["sinter", 1, []],
	])("at %s over %i singles", (level, layers, expected) => {
		expect(codes(tip(level, layers)).filter((code) => code === "overhang" || code === "comes-down")).toEqual(expected);
	});
});

describe("one cause, one finding", () => {
	/** A kit in which something is the case `n` times over. */
	const MANY: Record<string, (n: number) => KitDesign> = {
		"touching squares": (n) => kit(row(n, 20, (x) => cut(square(20), 0, x))),
		"pieces far apart": (n) => kit(row(n, 40, (x) => cut(square(20), 0, x))),
		"shingles in one layer": (n) => kit([cut(box(30 * n, 40)), ...row(n, 15, (x) => cut(box(20, 30), 1, x))]),
		"reactive strips": (n) =>
			kit([cut(box(30 * n, 40)), ...row(n, 10, (x, i) => cut(box(10, 30), 1, x, 0, i % 2 ? "copper" : "sulphur"))]),
		"reactive squares on a sheet": (n) =>
			kit([cut(box(30 * n, 40), 0, 0, 0, "copper"), ...row(n, 20, (x) => cut(square(12), 1, x, 0, "sulphur"))]),
		"bars over an edge": (n) =>
			kit([cut(box(30 * n, 40)), ...row(n, 20, (x) => cut(box(8, 40), 1, x, 30))], fire("tack")),
		"rough pairs": (n) =>
			kit(
				row(n, 60, (x) => cut(square(50), 0, x, 0, "ripple")).concat(
					row(n, 60, (x) => cut(square(50), 1, x, 0, "ripple", { faceDown: true } as Partial<KitPart>)),
				),
			),
		"short caps": (n) =>
			kit([
				cut(box(60 * n, 60)),
				...row(n, 40, (x) => cut(box(20, 30), 1, x, 0, "coated")),
				...row(n, 40, (x) => cut(box(20, 30), 2, x)),
			]),
		"bare coating": (n) => kit([cut(box(60 * n, 60)), ...row(n, 40, (x) => cut(box(20, 30), 1, x, 0, "coated"))]),
		"gaps that close": (n) => kit(row(n, 64, (x) => x).flatMap((x) => [0, 1, 2, 3].map((i) => cut(square(60), i, x)))),
		"loose stacks without room": (n) =>
			kit(
				row(n, 63, (x) => x).flatMap((x) =>
					[0, 1, 2, 3].map((i) => cut(square(60), i, x, 0, "clear", { loose: true })),
				),
			),
		"loops that nothing holds": (n) =>
			kit([
				cut(box(40 * n, 60)),
				...row(n, 30, (x) => lay({ kind: "loop", metal: "copper", wireMm: 1, eyeMm: 5, tailMm: 12 }, 1, x, 34)),
			]),
		"castings in low walls": (n) =>
			kit(
				row(n, 90, (x) => x).flatMap((x) => [
					lay({ kind: "dam", shape: { kind: "ring", diameterMm: 66, holeMm: 60 }, heightMm: 15 }, 0, x),
					lay({ kind: "grains", shape: disc(59.5), glassId: "powder", gPerCm2: 2.5 }, 0, x),
				]),
				fire("deep"),
			),
	};

	function row<T>(n: number, stepMm: number, of: (x: number, i: number) => T): T[] {
		return Array.from({ length: n }, (_, i) => of((i - (n - 1) / 2) * stepMm, i));
	}

	it.each(Object.entries(MANY))("%s: ten of them say no more than three do", (_, of) => {
		expect(new Set(codes(of(10))).size).toBe(codes(of(10)).length);
		expect(codes(of(10)).length).toBeLessThanOrEqual(codes(of(3)).length);
	});
	it.each(Object.entries(MANY))("%s: one press mends them all", (_, of) => {
		const design = of(6);
		for (const { code, fix } of readKit(design, studio).findings) {
			if (!fix) continue;
			expect(codes(after(design, fix.changes)), code).not.toContain(code);
		}
	});
	it("however many equal parts are laid, wherever: never more findings than kinds, and none twice but of two pairs of glass", () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...Object.values(MANY)),
				fc.integer({ min: 2, max: 7 }),
				fc.integer({ min: 1, max: 6 }),
				(of, n, more) => codes(of(n + more)).length <= codes(of(n + 1)).length || n < 3,
			),
			{ numRuns: 30 },
		);
	});
	it("five hundred parts that do everything wrong show about a dozen findings, worst first", () => {
		const parts = Array.from({ length: 480 }, (_, i) => {
			const [x, y] = [(i % 24) * 18, Math.floor(i / 24) * 18];
			return cut(square(20), i % 3, x, y, ["clear", "copper", "sulphur", "white", "black", "striker"][i % 6]);
		});
		const findings = readKit(kit(parts, fire("tack")), studio).findings;
		expect(findings.length).toBeLessThanOrEqual(14);
		const ranks = findings.map(({ severity, code }) => [
			["stop", "fix", "know"].indexOf(severity),
			FINDING_CODES.indexOf(code),
		]);
		expect(ranks).toEqual([...ranks].sort(([a = 0, b = 0], [c = 0, d = 0]) => a - c || b - d));
	});
	it("every other shingle of an even ring is lifted, and as few as can be", () => {
		const ring = NINETEEN["shingles drawn into one layer"]?.design as KitDesign;
		const lifted = find(ring, "same-place")?.fix?.changes.flatMap((change) =>
			change.do === "raise" ? change.partIds : [],
		);
		expect(lifted).toHaveLength(12);
	});
	it("tells what is loose on purpose once, and asks for room only where pieces touch afterwards", () => {
		const singles = kit([0, 20].map((x) => cut(square(20), 0, x, 0, "clear", { loose: true })));
		expect(codes(singles)).toContain("fired-loose");
		expect(codes(singles)).not.toContain("no-room");
		const stacks = kit([0, 20].flatMap((x) => [0, 1].map((i) => cut(square(20), i, x, 0, "clear", { loose: true }))));
		expect(codes(stacks)).toContain("no-room");
	});
});
