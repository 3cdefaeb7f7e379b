import { describe, expect, it } from "vitest";
import { bar, book, box, cut, disc, fire, kit, lay, mould, square } from "../../../tests/support/kit";
import { applyChanges } from "../../kit/change";
import type { KitDesign, KitPart } from "../../kit/kit";
import { METRIC, phraseText } from "../../units/phrase";
import type { Finding } from "../finding";
import { readKit } from "../read-kit";
import type { FindingCode } from "./titles";

const studio = book(
	[
		mould("dish"),
		mould("frame", { kind: "frame", widthMm: 80, heightMm: 80 }),
		mould("bare", { release: "bare", usesSince: 4 }),
	],
	60,
);
const read = (design: KitDesign) => readKit(design, studio).findings;
const find = (design: KitDesign, code: FindingCode): Finding | undefined =>
	read(design).find((one) => one.code === code);
const text = (finding: Finding | undefined) => (finding ? phraseText(finding.sentence, METRIC) : "");
/** The kit after pressing the remedy of a finding. */
const mended = (design: KitDesign, code: FindingCode): KitDesign => {
	const fix = find(design, code)?.fix;
	if (!fix) throw new Error(`no remedy to press for ${code}`);
	return applyChanges(design, fix.changes);
};
const twoSheets = (side = 60): KitPart[] => [cut(square(side)), cut(square(side), 2)];

describe("figures worked by hand", () => {
	it("a loop 10 mm aside and 30 mm above the centre of mass hangs atan(10/30) off plumb", () => {
		const design = kit([
			...twoSheets(),
			lay({ kind: "loop", metal: "copper", wireMm: 1, eyeMm: 5, tailMm: 12 }, 1, 10, 30),
		]);
		expect(text(find(design, "hangs-crooked"))).toContain("18.4°");
	});
	it("an overhang is measured from the edge that carries it, and needs fibre as high as it lies", () => {
		const design = kit([cut(square(60)), cut(bar(40, 10), 1, 35)], fire("tack"));
		expect(text(find(design, "overhang"))).toContain("over nothing for 25 mm");
		expect(find(design, "overhang")?.fix?.changes[0]).toMatchObject({ part: { kind: "fibre", heightMm: 3 } });
	});
	it("a bar between two rails is a span: told when it is long for its thickness, with fibre under it all the same", () => {
		const rails = (apart: number) => [cut(bar(80, 10), 0, 0, apart / 2), cut(bar(80, 10), 0, 0, -apart / 2)];
		const ladder = (apart: number) =>
			kit([...rails(apart), cut(bar(apart + 10, 10), 1, 0, 0, "clear", { turnDeg: 90 })], fire("tack"));
		expect(find(ladder(26), "overhang")).toBeUndefined();
		expect(find(ladder(26), "sags")).toBeUndefined();
		expect(text(find(ladder(40), "sags"))).toContain("spans 30 mm");
		expect(find(mended(ladder(40), "sags"), "sags")).toBeUndefined();
	});
	it("a part two layers up over a gap of the first needs 6 mm", () => {
		const design = kit([cut(square(60)), cut(square(60), 1), cut(bar(60, 10), 2, 40)], fire("tack"));
		expect(find(design, "overhang")?.fix?.changes[0]).toMatchObject({ part: { heightMm: 6 } });
	});
	it("a blank of 150 mm for an opening of 140 mm is said with its excess", () => {
		const design = kit(
			[cut(square(150)), cut(square(150), 1)],
			[...fire("full"), { level: "slump", handWork: "", mouldId: "dish" }],
		);
		expect(text(find(design, "over-rim"))).toContain("10 mm larger");
	});
	it("a cover for an 80 mm opening is 104 mm: 12 mm all round", () => {
		const finding = find(kit(twoSheets(90), fire("full"), { frameId: "frame" }), "frame-short");
		expect(phraseText(finding?.remedy ?? [], METRIC)).toContain("104 mm × 104 mm");
	});
	it("a pocket of two singles round 6 mm of fibre anneals as 24 mm, four hours (common practice, no source)", () => {
		const design = kit(
			[cut(square(100)), lay({ kind: "fibre", use: "insert", shape: square(60), heightMm: 6 }, 1), cut(square(100), 2)],
			fire("tack"),
		);
		expect(readKit(design, studio).effectiveMm).toBe(24);
		expect(text(find(design, "insert"))).toContain("anneals as 24 mm, 4 h");
	});
	it("a 60 mm ring filled 10 mm deep takes 71 g: π·30²·10 mm³ at 2.5 g/cm³, and loose frit overtops an 15 mm wall", () => {
		const ring = lay({ kind: "dam", shape: { kind: "ring", diameterMm: 66, holeMm: 60 }, heightMm: 15 });
		const fill = lay({ kind: "grains", shape: disc(59.9), glassId: "coarse", gPerCm2: 2.5 }, 0);
		const design = kit([ring, fill], fire("deep"));
		expect(text(find(design, "casting"))).toMatch(/^70 g|^71 g/);
		expect(text(find(design, "dam-low"))).toContain("1.85 times");
	});
	it("12 mm beside 3 mm, cooled as an even 12 mm: ⅔·70 GPa·90e-7·2.5 K·2.5²/0.78 = 8.4 MPa of tension passes", () => {
		const tower = kit([cut(square(60)), ...[1, 2, 3].map((layer) => cut(square(10), layer))], fire("tack"));
		expect(text(find(tower, "uneven"))).toContain("about 8.4 MPa would pass through it; 10 is allowed");
	});
	it("two loops with the weight to one side name the shares", () => {
		const loop = (x: number) => lay({ kind: "loop", metal: "copper", wireMm: 1, eyeMm: 5, tailMm: 12 }, 1, x, 34);
		expect(text(find(kit([...twoSheets(), loop(-25), loop(5)]), "uneven-loops"))).toContain("83 %");
	});
});

describe("two loops", () => {
	const loop = (x: number, y: number) =>
		lay({ kind: "loop", metal: "copper", wireMm: 1, eyeMm: 5, tailMm: 12 }, 1, x, y);
	it.each<[FindingCode, KitDesign]>([
		["uneven-loops", kit([...twoSheets(), loop(-25, 34), loop(5, 34)])],
		["uneven-loops", kit([...twoSheets(), loop(5, 34), loop(25, 34)])],
		["loops-uneven-height", kit([...twoSheets(), loop(-20, 34), loop(20, 38)])],
	])("%s is mended by its press", (code, design) => {
		expect(find(design, code)).toBeDefined();
		expect(find(mended(design, code), code)).toBeUndefined();
	});
	it("three loops cannot be reckoned, and one that lies on nothing pulls out", () => {
		expect(text(find(kit([...twoSheets(), loop(-20, 34), loop(0, 34), loop(20, 34)]), "many-loops"))).toContain(
			"3 loops",
		);
		expect(text(find(kit([cut(square(60)), loop(0, 34)]), "loop-bare"))).toContain("12 mm tail pulls out");
	});
});

describe("no alarm without cause", () => {
	it.each([
		[
			"a part lying wholly on a base",
			kit([cut(square(60)), cut(square(60), 1), cut(square(20), 2)], fire("contour")),
			["loose", "overhang", "same-place"],
		],
		[
			"a straight loop between two layers",
			kit([...twoSheets(), lay({ kind: "loop", metal: "copper", wireMm: 1, eyeMm: 5, tailMm: 12 }, 1, 0, 34)]),
			["hangs-crooked", "loop-bare"],
		],
		[
			"a cap cut to size",
			kit([cut(square(60)), cut(box(20, 30), 1, 0, 0, "coated"), cut(box(28, 38), 2)]),
			["cap-short", "cap-large", "coating-bare"],
		],
		[
			"colours 10 mm apart in openwork",
			kit([
				cut(bar(80, 10), 0, 0, 12),
				cut(bar(80, 10), 0, 0, -8),
				cut(bar(40, 10), 1, 0, 2, "clear", { turnDeg: 90 }),
			]),
			["will-meet"],
		],
		[
			"copper beside selenium with a neutral band",
			kit([cut(square(60)), cut(square(20), 1, -15, 0, "copper"), cut(square(20), 1, 15, 0, "sulphur")]),
			["reaction"],
		],
	])("%s", (_, design, quiet) => {
		const codes = read(design).map(({ code }) => code);
		for (const code of quiet) expect(codes).not.toContain(code);
	});

	it("what cannot be made out is named and not guessed: a slump without a mould, a bare mould, too high a build", () => {
		expect(find(kit(twoSheets(), fire("full", "slump")), "no-mould")?.severity).toBe("know");
		const bare = kit(twoSheets(), [...fire("full"), { level: "slump", handWork: "", mouldId: "bare" }]);
		expect(text(find(bare, "mould-bare"))).toContain("4 times");
		const tower = kit(Array.from({ length: 21 }, (_, i) => cut(square(40), i)));
		expect(text(find(tower, "too-high"))).toContain("63 mm high");
	});
});

describe("several firings", () => {
	const dots: KitDesign = kit(
		[
			cut(square(60), 0, 0, 0, "clear", { firing: 1 }),
			lay({ kind: "component", componentId: "dot" }, 1, 0, 0, { firing: 1 }),
		],
		fire("full", "tack"),
		{ components: [{ id: "dot", name: "Dot", firing: 0, parts: [cut(square(10))] }] },
	);
	it("a component comes to the later firing as it left the earlier one: rounder, higher, of the same glass", () => {
		const reading = readKit(dots, studio);
		expect(reading.firing).toBe(1);
		expect(reading.massG).toBeCloseTo(((60 * 60 + 100) * 3 * 2.5) / 1000, 2);
		expect(reading.thickestMm).toBeGreaterThan(6.5);
		expect(reading.findings.map(({ code }) => code)).not.toContain("loose");
	});
	it("the first firing of a two-firing brooch is read without what is laid on later", () => {
		const brooch = kit([...twoSheets(30), cut(square(20), 2, 0, 0, "clear", { firing: 1 })], fire("full", "full"));
		expect(readKit(brooch, studio).bodies?.map(({ thickestMm }) => Math.round(thickestMm))).toEqual([6, 9]);
		expect(readKit(brooch, studio).thickestMm).toBe(9);
	});
});
