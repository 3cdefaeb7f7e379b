import { LEVEL_AIM } from "@core/firing/level";
import { boundsOf } from "@core/geometry/bounds";
import { ringRadiusMm } from "@core/kit/arrange";
import type { KitDesign, KitPart } from "@core/kit/kit";
import { afterOf } from "@core/stack/after";
import type { FindingCode } from "@core/stack/findings/titles";
import { layUp } from "@core/stack/lay";
import { bar, book, box, cut, disc, fire, kit, lay, square } from "../support/kit";

/** A kit of a kind that is really made, with what somebody who teaches it would want to be told, and no more. */
export interface TradeKit {
	design: KitDesign;
	/** Every finding there is, most pressing first. */
	tells: readonly FindingCode[];
	/** Hours of each firing until the controller is done. Common practice, no source. */
	hours: readonly (readonly [least: number, most: number])[];
}

/** The programme of a firing of everyday glass; the kiln’s own cooling comes on top. */
const EVERYDAY = [6, 18] as const;

/** Some parts round a circle, each turned with its place. */
function round(count: number, radiusMm: number, part: (x: number, y: number, deg: number, i: number) => KitPart) {
	return Array.from({ length: count }, (_, i) => {
		const deg = (i * 360) / count;
		const angle = (deg * Math.PI) / 180;
		return part(radiusMm * Math.cos(angle), radiusMm * Math.sin(angle), deg, i);
	});
}

/** Six spokes under a hub, and across each four short bars. */
const star = (hub: KitPart[]): KitPart[] => [
	...round(6, 37, (x, y, deg) => cut(bar(50, 10), 0, x, y, "clear", { turnDeg: deg })),
	...hub,
	...[28, 37, 46, 55].flatMap((radiusMm) =>
		round(6, radiusMm, (x, y, deg) => cut(bar(20, 7), 1, x, y, "clear", { turnDeg: deg + 90 })),
	),
];

/** A ring of shingles, edge to edge. */
const shingles = (count: number, layer: number, fromDeg: number): KitPart[] =>
	round(count, ringRadiusMm(count, 18, -0.2) + 12, (x, y, deg) => {
		const turn = (fromDeg * Math.PI) / 180;
		const at = { x: x * Math.cos(turn) - y * Math.sin(turn), y: x * Math.sin(turn) + y * Math.cos(turn) };
		return cut(box(24, 18), layer, at.x, at.y, "clear", { turnDeg: deg + fromDeg });
	});

const steelRing = (heightMm: number) =>
	lay({ kind: "dam", shape: { kind: "ring", diameterMm: 66, holeMm: 60 }, heightMm, of: "steel", liningMm: 3 });
const frit = (glassId: string, gPerCm2: number, layer: number, diameterMm = 53.5) =>
	lay({ kind: "grains", shape: disc(diameterMm), glassId, gPerCm2 }, layer);
const dots = { id: "dot", name: "Dot", firing: 0, parts: [cut(square(10))] };
/** As wide as the firing leaves it. */
const DOT_MM = boundsOf(afterOf(layUp(kit(dots.parts), book(), 0), LEVEL_AIM.full).region).widthMm;
const dot = (x: number, y: number) => lay({ kind: "component", componentId: "dot" }, 0, x, y, { firing: 1 });
const pocket = (width: number, height: number): KitPart[] => [
	cut(box(width, height)),
	lay({ kind: "fibre", use: "insert", shape: box(width - 30, height - 10), heightMm: 6 }, 1, 0, 15),
	cut(box(width, height), 2),
];

/** Kits of every kind in the trade, of our own making; only their kinds are old. */
export const NINETEEN: Record<string, TradeKit> = {
	"sandwich tile: two sheets, threads between, powder on top": {
		design: kit([
			cut(square(100)),
			...[-20, 0, 20].map((y) =>
				lay(
					{
						kind: "thread",
						glassId: "thread",
						points: [
							{ x: -45, y: 0 },
							{ x: 45, y: 0 },
						],
					},
					1,
					0,
					y,
				),
			),
			cut(square(100), 2),
			lay({ kind: "grains", shape: box(60, 20), glassId: "powder", gPerCm2: 0.06 }, 3),
		]),
		tells: ["trapped-air"],
		hours: [EVERYDAY],
	},
	"openwork star with a hub": {
		design: kit(star([cut({ kind: "polygon", sides: 6, diameterMm: 44 }, 1)])),
		tells: ["draws-in"],
		hours: [EVERYDAY],
	},
	"the same star, its spokes only meeting": {
		design: kit(star([])),
		tells: ["loose", "draws-in"],
		hours: [EVERYDAY],
	},
	"a line of fired dots side by side, tack fused": {
		design: kit(
			[0, 1, 2, 3, 4, 5].map((i) => dot(i * DOT_MM, 0)),
			fire("full", "tack"),
			{ components: [dots] },
		),
		tells: ["edge-joined"],
		hours: [EVERYDAY, EVERYDAY],
	},
	"strips two singles high, side by side, full": {
		design: kit([-30, -10, 10, 30].flatMap((y) => [0, 1].map((layer) => cut(bar(120, 20), layer, 0, y)))),
		tells: ["edge-joined"],
		hours: [EVERYDAY],
	},
	"strips one single high, side by side, full": {
		design: kit([-30, -10, 10, 30].map((y) => cut(bar(120, 20), 0, 0, y))),
		tells: ["loose", "draws-in"],
		hours: [EVERYDAY],
	},
	"two rings of shingles on a disc": {
		design: kit([cut(disc(140)), ...shingles(12, 1, 0), ...shingles(12, 2, 15)], fire("tack")),
		tells: ["relief"],
		hours: [[10, 24]],
	},
	"shingles drawn into one layer": {
		design: kit([cut(disc(140)), ...shingles(12, 1, 0), ...shingles(12, 1, 15)], fire("tack")),
		tells: ["same-place", "relief"],
		hours: [[10, 24]],
	},
	"heavy relief: fifteen over three, light tack": {
		design: kit([cut(square(160)), ...[1, 2, 3, 4].map((layer) => cut(square(60 - layer * 6), layer))], fire("tack")),
		tells: ["uneven", "relief"],
		hours: [[30, 45]],
	},
	"pocket, tack fused, then slumped": {
		design: kit(pocket(90, 120), [...fire("tack"), { level: "slump", handWork: "", mouldId: "dish" }]),
		tells: ["insert", "short-of-rim"],
		hours: [
			[16, 30],
			[16, 26],
		],
	},
	"capped brooch: black base, then coating under a cap": {
		design: kit(
			[
				cut(box(24, 40), 0, 0, 0, "black"),
				cut(box(24, 40), 1, 0, 0, "black"),
				cut(box(12, 28), 2, 0, 0, "coated", { firing: 1, faceDown: true } as Partial<KitPart>),
				cut(box(19, 36), 3, 0, 0, "clear", { firing: 1 }),
			],
			fire("full", "full"),
		),
		tells: ["spreads", "opaque-on-shelf"],
		hours: [EVERYDAY, EVERYDAY],
	},
	"powder panel: graded bands on a base": {
		design: kit(
			[
				cut(box(120, 80)),
				...[0, 1, 2].map((i) =>
					lay({ kind: "grains", shape: box(120, 24), glassId: "powder", gPerCm2: 0.04 + 0.03 * i }, 1, 0, (i - 1) * 24),
				),
			],
			fire("sinter"),
		),
		tells: [],
		hours: [[6, 18]],
	},
	"an inch of solid glass": {
		design: kit(Array.from({ length: 8 }, (_, i) => cut(square(80), i))),
		tells: ["spreads", "trapped-air"],
		hours: [[24, 32]],
	},
	"one sheet cut and spread on a base": {
		design: kit([cut(box(140, 100)), ...[-46, -15.5, 15.5, 46].map((x) => cut(box(28, 90), 1, x))]),
		tells: ["relief", "draws-in"],
		hours: [EVERYDAY],
	},
	"foil between two sheets": {
		design: kit([cut(square(70)), lay({ kind: "foil", shape: square(25), metal: "copper" }, 1), cut(square(70), 2)]),
		tells: [],
		hours: [EVERYDAY],
	},
	"casting in a steel ring": {
		design: kit([steelRing(30), frit("coarse", 1.5, 0), frit("coarse", 1, 1)], fire("deep")),
		tells: ["casting"],
		hours: [[8, 24]],
	},
	"stopper top: a dome of three discs": {
		design: kit([cut(disc(36)), cut(disc(28), 1), cut(disc(18), 2)], fire("contour")),
		tells: ["relief"],
		hours: [EVERYDAY],
	},
	"landscape of layers, strips overlapping": {
		design: kit(
			[cut(box(150, 100)), ...[0, 1, 2, 3].map((i) => cut(box(150, 30), 1 + (i % 2), 0, -36 + i * 23))],
			fire("contour"),
		),
		tells: ["spreads"],
		hours: [EVERYDAY],
	},
	"petals, meant to be loose": {
		design: kit(round(12, 40, (x, y, deg) => cut(box(18, 9), 0, x, y, "clear", { turnDeg: deg, loose: true }))),
		tells: ["fired-loose", "draws-in"],
		hours: [EVERYDAY],
	},
};
