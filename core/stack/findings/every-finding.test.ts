import { describe, expect, it } from "vitest";
import { bar, book, box, cut, disc, fire, kit, lay, mould, square } from "../../../tests/support/kit";
import type { Severity } from "../../advice";
import { applyChanges } from "../../kit/change";
import type { KitDesign, KitPart } from "../../kit/kit";
import { METRIC, phraseText } from "../../units/phrase";
import { readKit } from "../read-kit";
import { FINDING_CODES, type FindingCode } from "./titles";

const studio = book(
	[
		mould("dish"),
		mould("clay", { maxC: 600 }),
		mould("form", { kind: "drape", widthMm: 130, heightMm: 130 }),
		mould("deep", { depthMm: 30, vented: false }),
		mould("frame", { kind: "frame", widthMm: 80, heightMm: 80 }),
		mould("bare", { release: "bare", usesSince: 4 }),
		mould("worn", { usesSince: 12 }),
		mould("two curves", { kind: "stand", widthMm: 160, heightMm: 70, depthMm: 30 }),
	],
	60,
);
const two = (side = 60): KitPart[] => [cut(square(side)), cut(square(side), 2)];
const loop = (x: number, y: number) => lay({ kind: "loop", metal: "copper", wireMm: 1, eyeMm: 5, tailMm: 12 }, 1, x, y);
const into = (mouldId: string) => [...fire("full"), { level: "slump" as const, handWork: "", mouldId }];
const rails = [cut(bar(80, 10), 0, 0, 20), cut(bar(80, 10), 0, 0, -20)];
const ring = lay({ kind: "dam", shape: { kind: "ring", diameterMm: 66, holeMm: 60 }, heightMm: 15, of: "board" });
const steel = (liningMm: number) =>
	lay({ kind: "dam", shape: { kind: "ring", diameterMm: 66, holeMm: 60 }, heightMm: 30, of: "steel", liningMm });
const frit = (glassId: string) => lay({ kind: "grains", shape: disc(59.9), glassId, gPerCm2: 2.5 }, 0);
const tower = [cut(square(60)), ...[1, 2, 3].map((layer) => cut(square(10), layer))];

interface Case {
	design: KitDesign;
	/** What its sentence has to say: the figure follows from the sizes beside it, or is common practice. */
	says: string;
	severity: Severity;
	/** What its press does: takes the finding away, leaves it as something to know; none where only a person can act. */
	press: "mends" | "eases" | "none";
}

/** One kit for every finding there is; a finding without a case does not compile. */
const CASES: Record<FindingCode, Case> = {
	"family-conflict": {
		design: kit([cut(square(60)), cut(square(20), 1, 0, 0, "other")]),
		says: "2 families in one piece",
		severity: "stop",
		press: "none",
	},
	"untested-glass": {
		design: kit([cut(square(60), 0, 0, 0, "found")]),
		says: "1 part is of untested glass",
		severity: "stop",
		press: "none",
	},
	loose: {
		design: kit([cut(square(40)), cut(square(40), 0, 40)]),
		says: "lies on nothing by 2 mm",
		severity: "fix",
		press: "mends",
	},
	// 65 mm between two middles of 40 mm leaves 25 mm.
	"own-piece": {
		design: kit([cut(square(40)), cut(square(40), 0, 65)]),
		says: "lies 25 mm from everything else",
		severity: "know",
		press: "mends",
	},
	"fired-loose": {
		design: kit([0, 65, 130].map((x) => cut(square(40), 0, x, 0, "clear", { loose: true }))),
		says: "3 pieces, loose on the shelf",
		severity: "know",
		press: "none",
	},
	// Two stacks of 12 mm spread by more than the 4 mm between them.
	"no-room": {
		design: kit(
			[0, 64].flatMap((x) => [0, 1, 2, 3].map((layer) => cut(square(60), layer, x, 0, "clear", { loose: true }))),
		),
		says: "2 mm has to be left between them",
		severity: "fix",
		press: "mends",
	},
	// Two strips of two singles each. Common practice, no source: they become one sheet at full fuse.
	"edge-joined": {
		design: kit([0, 20].flatMap((y) => [0, 1].map((layer) => cut(bar(100, 20), layer, 0, y)))),
		says: "hold side by side at 2 joints, by the edge alone",
		severity: "know",
		press: "none",
	},
	// A bar over the edge of three singles comes down 9 mm.
	"comes-down": {
		design: kit([...[0, 1, 2].map((layer) => cut(square(60), layer)), cut(bar(40, 10), 3, 35)]),
		says: "comes down by 9 mm",
		severity: "know",
		press: "mends",
	},
	// 38 mm between two middles of 40 mm overlaps 2 mm: enough to hold, less than the 3 mm that are safe. Common practice, no source.
	"barely-joined": {
		design: kit([cut(square(40)), cut(square(40), 1, 37.5)], fire("tack")),
		says: "by less than 3 mm, at 1 joint",
		severity: "know",
		press: "none",
	},
	// Common practice, no source: tops are ground before anything is stacked on them.
	"round-top": {
		design: kit([
			cut(square(60)),
			cut(square(60), 1),
			...[-12, 12].map((x) => lay({ kind: "lump", form: "dome", diameterMm: 12, heightMm: 5, glassId: "clear" }, 2, x)),
			cut(bar(40, 10), 3),
		]),
		says: "on 2 rounded tops",
		severity: "know",
		press: "mends",
	},
	"same-place": {
		design: kit([cut(square(60)), cut(square(30), 1), cut(square(30), 1, 20)]),
		says: "share 300 mm² of layer 2",
		severity: "fix",
		press: "mends",
	},
	"will-meet": {
		design: kit([
			...[0, 1, 2, 3].map((layer) => cut(square(60), layer)),
			...[0, 1, 2, 3].map((layer) => cut(square(60), layer, 64)),
		]),
		says: "4 mm",
		severity: "fix",
		press: "mends",
	},
	// A 40 mm bar with its middle 35 mm out ends at 55 mm, 25 mm past the edge of a 60 mm square.
	overhang: {
		design: kit([cut(square(60)), cut(bar(40, 10), 1, 35)], fire("tack")),
		says: "over nothing for 25 mm",
		severity: "fix",
		press: "mends",
	},
	// Two 10 mm rails with their middles 40 mm apart leave 30 mm.
	sags: {
		design: kit([...rails, cut(bar(50, 10), 1, 0, 0, "clear", { turnDeg: 90 })], fire("tack")),
		says: "spans 30 mm",
		severity: "know",
		press: "mends",
	},
	// 12 × 30 mm
	"coating-bare": {
		design: kit([cut(square(40)), cut(box(12, 30), 1, 0, 0, "coated")]),
		says: "360 mm² of bare coating",
		severity: "know",
		press: "none",
	},
	"cap-short": {
		design: kit([cut(square(60)), cut(box(20, 30), 1, 0, 0, "coated"), cut(box(20, 30), 2)]),
		says: "mm",
		severity: "fix",
		press: "mends",
	},
	"cap-large": {
		design: kit([cut(box(24, 40)), cut(box(12, 30), 1, 0, 0, "coated"), cut(box(30, 44), 2)]),
		says: "mm",
		severity: "fix",
		press: "mends",
	},
	// A blank of 150 mm for an opening of 140 mm.
	"over-rim": {
		design: kit([cut(square(150)), cut(square(150), 1)], into("dish")),
		says: "10 mm larger",
		severity: "fix",
		press: "mends",
	},
	// The dish of 140 mm, its clay good for 600 °C.
	"mould-heat": {
		design: kit([cut(square(140)), cut(square(140), 1)], into("clay")),
		says: "clay bears 600 °C",
		severity: "stop",
		press: "none",
	},
	"short-of-form": {
		design: kit([cut(square(120)), cut(square(120), 1)], into("form")),
		says: "10 mm short of form",
		severity: "fix",
		press: "mends",
	},
	// And one of 120 mm.
	"short-of-rim": {
		design: kit([cut(square(120)), cut(square(120), 1)], into("dish")),
		says: "20 mm short",
		severity: "know",
		press: "mends",
	},
	"no-mould": { design: kit(two(), fire("full", "slump")), says: "Firing 2 slumps", severity: "know", press: "none" },
	"mould-bare": {
		design: kit(two(), into("bare")),
		says: "fired 4 times since its release was renewed",
		severity: "fix",
		press: "none",
	},
	// Wash lasts about ten firings. Common practice, no source.
	"mould-worn": {
		design: kit(two(138), into("worn")),
		says: "fired 12 times since it was washed; that is renewed after 10",
		severity: "know",
		press: "none",
	},
	"mould-vent": {
		design: kit([cut(square(140)), cut(square(140), 1)], into("deep")),
		says: "30 mm deep without a vent hole",
		severity: "know",
		press: "none",
	},
	"frame-short": {
		design: kit(two(90), fire("full"), { frameId: "frame" }),
		says: "14 mm too small",
		severity: "fix",
		press: "mends",
	},
	// 21 sheets of 3 mm under 60 mm.
	"too-high": {
		design: kit(Array.from({ length: 21 }, (_, i) => cut(square(40), i))),
		says: "63 mm high: the tallest kiln has 60 mm clear",
		severity: "fix",
		press: "none",
	},
	// atan(12 / 34) = 19.4°
	"hangs-crooked": { design: kit([...two(), loop(12, 34)]), says: "19.4°", severity: "fix", press: "mends" },
	"many-loops": {
		design: kit([...two(), loop(-20, 34), loop(0, 34), loop(20, 34)]),
		says: "3 loops",
		severity: "know",
		press: "none",
	},
	// 25 and 5 mm from the middle: the nearer one carries 25 of 30.
	"uneven-loops": {
		design: kit([...two(), loop(-25, 34), loop(5, 34)]),
		says: "83 %",
		severity: "know",
		press: "mends",
	},
	"loops-uneven-height": {
		design: kit([...two(), loop(-20, 34), loop(20, 38)]),
		says: "4 mm",
		severity: "fix",
		press: "mends",
	},
	"loop-bare": {
		design: kit([cut(square(60)), loop(0, 34)]),
		says: "12 mm tail pulls out",
		severity: "fix",
		press: "none",
	},
	uneven: { design: kit(tower), says: "4 times as thick", severity: "fix", press: "eases" },
	insert: {
		design: kit(
			[cut(square(100)), lay({ kind: "fibre", use: "insert", shape: square(60), heightMm: 6 }, 1), cut(square(100), 2)],
			fire("tack"),
		),
		says: "6 mm of fibre stays inside",
		severity: "know",
		press: "none",
	},
	// A 12 mm tower on a base of 3 mm.
	relief: { design: kit(tower, fire("tack")), says: "Of its 9 mm of relief", severity: "know", press: "none" },
	"raised-slump": {
		design: kit(tower, fire("tack", "slump")),
		says: "at most 85 °C/h",
		severity: "fix",
		press: "mends",
	},
	"dark-white": {
		design: kit([cut(square(80)), cut(square(40), 1, -20, 0, "black"), cut(square(40), 1, 20, 0, "white")]),
		says: "at most 85 °C/h",
		severity: "know",
		press: "none",
	},
	"trapped-air": { design: kit(two(150)), says: "over 150 mm", severity: "know", press: "none" },
	// 60 mm square: 36 cm².
	"rough-inside": {
		design: kit([
			cut(square(60), 0, 0, 0, "ripple"),
			{ ...cut(square(60), 1, 0, 0, "ripple"), faceDown: true } as KitPart,
		]),
		says: "over 36 cm²",
		severity: "fix",
		press: "mends",
	},
	reaction: {
		design: kit([cut(square(60)), cut(square(20), 1, -10, 0, "copper"), cut(square(20), 1, 10, 0, "sulphur")]),
		says: "meet along",
		severity: "know",
		press: "mends",
	},
	striker: {
		design: kit([cut(square(60), 0, 0, 0, "striker")]),
		says: "1 part shows its colour",
		severity: "know",
		press: "none",
	},
	// Fired face down, shapes keep crisp edges. Common practice, no source.
	"crisp-edges": {
		design: kit(
			[cut(square(80)), cut(square(20), 1, -20), cut(bar(30, 12), 1, 20)],
			[{ level: "full", handWork: "", turnedOver: true }],
		),
		says: "2 parts lie face down on the shelf and keep their crisp outline at full",
		severity: "know",
		press: "none",
	},
	"opaque-on-shelf": {
		design: kit([cut(square(60), 0, 0, 0, "white"), cut(square(60), 1)]),
		says: "1 opaque part lies on the shelf",
		severity: "know",
		press: "none",
	},
	"metal-on-shelf": {
		design: kit([lay({ kind: "foil", shape: square(20), metal: "copper" }, 0), cut(square(60), 1)]),
		says: "1 piece of foil lies on the shelf itself",
		severity: "fix",
		press: "none",
	},
	"not-flat": {
		design: kit(two(), fire("contour"), { flat: true }),
		says: "contour leaves 2 parts raised",
		severity: "fix",
		press: "mends",
	},
	lumps: {
		design: kit(
			[...two(), lay({ kind: "grains", shape: square(20), glassId: "coarse", gPerCm2: 0.3 }, 2)],
			fire("full"),
			{ flat: true },
		),
		says: "1 part leaves a lump",
		severity: "fix",
		press: "mends",
	},
	"draws-in": { design: kit([cut(square(100))]), says: "a side at full", severity: "know", press: "none" },
	// About a quarter inch. Common practice, no source.
	spreads: {
		design: kit([0, 1, 2, 3].map((layer) => cut(square(100), layer))),
		says: "glass wants to be 6.1 mm thick",
		severity: "know",
		press: "none",
	},
	// π·30²·10 mm³ at 2.5 g/cm³ is 71 g.
	casting: {
		design: kit([ring, frit("coarse")], fire("deep")),
		says: "10 mm deep; loose it stands about 18.4 mm",
		severity: "know",
		press: "none",
	},
	// Loose frit stands 1.85 times as high: 18.5 mm. Common practice, no source.
	// A hole of 60 mm with 3 mm of lining all round leaves 54 mm.
	"fill-large": {
		design: kit([steel(3), frit("coarse")], fire("deep")),
		says: "larger than the 54 mm",
		severity: "fix",
		press: "mends",
	},
	"wall-bare": {
		design: kit([steel(0), frit("coarse")], fire("deep")),
		says: "lined with 0 mm",
		severity: "fix",
		press: "mends",
	},
	"dam-low": {
		design: kit([ring, frit("coarse")], fire("deep")),
		says: "in a wall of 15 mm",
		severity: "fix",
		press: "none",
	},
	cloudy: {
		design: kit([ring, frit("powder")], fire("deep")),
		says: "is powder in 10 mm of glass",
		severity: "know",
		press: "none",
	},
};

describe("every finding names its figure, and a remedy that can be pressed mends it", () => {
	const findings = (design: KitDesign) => readKit(design, studio).findings;
	const find = (design: KitDesign, code: FindingCode) => findings(design).find((one) => one.code === code);
	const all = FINDING_CODES.map((code) => ({ code, ...CASES[code] }));

	it.each(all)("$code", ({ code, design, says, severity }) => {
		const finding = find(design, code);
		expect(finding && phraseText(finding.sentence, METRIC)).toContain(says);
		expect(finding && phraseText(finding.sentence, METRIC)).toMatch(/\d|family/);
		expect(finding?.severity).toBe(severity);
		expect(finding && phraseText(finding.remedy, METRIC).length).toBeGreaterThan(10);
	});
	it.each(all.filter(({ press }) => press === "none"))("$code is for a person to act on", ({ code, design }) => {
		expect(find(design, code)?.fix).toBeUndefined();
	});
	it.each(all.filter(({ press }) => press === "mends"))("$code goes away by its press", ({ code, design }) => {
		const mended = applyChanges(design, find(design, code)?.fix?.changes ?? []);
		expect(find(mended, code)).toBeUndefined();
	});
	it.each(all.filter(({ press }) => press === "eases"))("$code is only to know after its press", ({ code, design }) => {
		const eased = applyChanges(design, find(design, code)?.fix?.changes ?? []);
		expect(find(eased, code)?.severity).toBe("know");
	});
});
