import type { FuseLevel } from "@core/firing/level";
import type { CutShape } from "@core/geometry/shape";
import { arranged, ringRadiusMm } from "@core/kit/arrange";
import { emptyKit, type KitDesign, type KitPart, type Stuff } from "@core/kit/kit";
import type { FindingCode } from "../core/stack/findings/titles";

let count = 0;
const newId = () => `part-${++count}`;
const lay = (name: string, stuff: Stuff, layer: number, xMm = 0, yMm = 0, turnDeg = 0, firing = 0): KitPart => ({
	id: newId(),
	name,
	layer,
	xMm,
	yMm,
	turnDeg,
	firing,
	...stuff,
});
const cut = (shape: CutShape, glassId: string): Stuff => ({ kind: "sheet", shape, glassId, faceDown: false });
const part = (name: string, shape: CutShape, glassId: string, layer: number, xMm = 0, yMm = 0, turnDeg = 0): KitPart =>
	lay(name, cut(shape, glassId), layer, xMm, yMm, turnDeg);
const square = (sideMm: number): CutShape => ({ kind: "square", sideMm });
const strip = (lengthMm: number, widthMm: number): CutShape => ({ kind: "strip", lengthMm, widthMm });

/** Nine patches of two glasses on a clear base: a quilt block that ends flat. */
const ninePatch: KitDesign = {
	...emptyKit("Nine-patch coaster"),
	note: "Smooth sides together. Keep it flat: nothing coarse on top.",
	flat: true,
	parts: [
		part("Base", square(96), "clear", 0),
		...[-32, 0, 32].flatMap((y, row) =>
			[-32, 0, 32].map((x, column) => {
				const even = (row + column) % 2 === 0;
				return part(even ? "Patch" : "Field", square(32), even ? "stubble" : "dusk", 1, x, y);
			}),
		),
	],
	palettes: [
		{ id: "dusk-barn", name: "barn at dusk", glass: { stubble: "thistle", dusk: "tin-roof" } },
		{ id: "high-noon", name: "high noon", glass: { stubble: "limewash", dusk: "windbreak" } },
	],
};

const BLADES = [0, 90, 180, 270];

/** The wheel of a wind pump: blades on a disc on a tile, kept raised. */
const pumpWheel: KitDesign = {
	...emptyKit("Pump-wheel tile"),
	note: "Blades show their colour only after firing.",
	parts: [
		part("Tile", square(110), "high-sky", 0),
		part("Disc", { kind: "circle", diameterMm: 90 }, "tin-roof", 1),
		...BLADES.map((turn) => {
			const angle = ((turn + 45) * Math.PI) / 180;
			return part(
				"Blade",
				{ kind: "triangle", widthMm: 26, heightMm: 26 },
				"pump-rust",
				2,
				22 * Math.cos(angle),
				22 * Math.sin(angle),
				turn,
			);
		}),
		part("Vane", strip(34, 8), "stubble", 2, 0, -49),
	],
	route: [{ level: "contour", handWork: "wet pad the rim, wash" }],
};

const BANDS = ["windbreak", "stubble", "high-sky", "limewash", "thistle", "tin-roof", "windbreak"];

/** Strips side by side like height lines on a map, fused flat, then slumped into a dish. */
const mapDish: KitDesign = {
	...emptyKit("Contour-map dish"),
	note: "Strips in this order from the left. Grind the rim before it is slumped.",
	parts: [
		part("Base", square(140), "clear", 0),
		...BANDS.map((glassId, i) => part(`Band ${i + 1}`, strip(140, 20), glassId, 1, (i - 3) * 20, 0, 90)),
	],
	route: [
		{ level: "full", handWork: "grind the rim, wash and dry" },
		{ level: "slump", handWork: "", mouldId: "map-dish" },
	],
};

/** A kite to hang in a window: two layers, a wire loop between them, a tail of thread and strewn cloud. */
const kitePanel: KitDesign = {
	...emptyKit("Kite for a window"),
	note: "Glue the loop between the layers, upright. Powder last, from a sieve.",
	parts: [
		part("Base", { kind: "rectangle", widthMm: 110, heightMm: 150 }, "clear", 0),
		lay("Loop", { kind: "loop", metal: "copper", wireMm: 1, eyeMm: 6, tailMm: 16 }, 1, 4, 79),
		part("Sky", { kind: "rectangle", widthMm: 110, heightMm: 150 }, "clear", 2),
		part("Sail, left", { kind: "triangle", widthMm: 40, heightMm: 30 }, "thistle", 3, -15, 40, 90),
		part("Sail, right", { kind: "triangle", widthMm: 30, heightMm: 40 }, "stubble", 3, 15, 40),
		part("Keel, left", { kind: "triangle", widthMm: 30, heightMm: 40 }, "dusk", 3, -15, 0, 180),
		part("Keel, right", { kind: "triangle", widthMm: 40, heightMm: 30 }, "pump-rust", 3, 15, 0, 270),
		lay(
			"Tail",
			{
				kind: "thread",
				glassId: "axle-thread",
				points: [
					{ x: 0, y: 22 },
					{ x: 8, y: 8 },
					{ x: -6, y: -6 },
					{ x: 5, y: -22 },
				],
			},
			3,
			2,
			-48,
		),
		lay(
			"Cloud",
			{
				kind: "grains",
				shape: { kind: "rectangle", widthMm: 60, heightMm: 18 },
				glassId: "limewash-powder",
				gPerCm2: 0.06,
			},
			3,
			20,
			-62,
		),
	],
	route: [{ level: "contour", handWork: "wash, tie the cord" }],
};

const SHINGLES = { lower: 12, upper: 12, widthMm: 22, lengthMm: 34, overlapMm: 1 };

/** Roof shingles in two rings: the first touching, the second half a step on, over the joints. */
const roofRing: KitDesign = {
	...emptyKit("Shingle roof ring"),
	note: "Lay the lower ring on a drawn circle first; the upper one bridges its gaps.",
	parts: (() => {
		const shingle = cut({ kind: "rectangle", widthMm: SHINGLES.widthMm, heightMm: SHINGLES.lengthMm }, "tin-roof");
		const radiusMm = ringRadiusMm(SHINGLES.lower, SHINGLES.widthMm, 0) + SHINGLES.lengthMm / 2;
		const ring = { kind: "ring" as const, count: SHINGLES.lower, middle: { x: 0, y: 0 }, layersUp: 0 };
		return [
			...arranged([lay("Lower shingle", shingle, 0)], { ...ring, radiusMm, fromDeg: 90 }, newId),
			...arranged(
				[lay("Upper shingle", { ...shingle, glassId: "pump-rust" } as Stuff, 1)],
				{ ...ring, radiusMm, fromDeg: 90 + 180 / SHINGLES.upper },
				newId,
			),
		];
	})(),
	route: [
		{ level: "tack", handWork: "wash" },
		{ level: "slump", handWork: "", mouldId: "feed-bowl" },
	],
};

/** A brooch in two firings: a black base first, then coated strip and clear cap on its flat back. */
const nightBrooch: KitDesign = {
	...emptyKit("Night-sky brooch"),
	note: "Second firing upside down: the flat side that lay on the shelf now carries the strip.",
	parts: [
		part("Base, below", { kind: "rectangle", widthMm: 24, heightMm: 40 }, "axle-black", 0),
		part("Base, above", { kind: "rectangle", widthMm: 24, heightMm: 40 }, "axle-black", 1),
		lay(
			"Coated strip",
			{ ...cut({ kind: "rectangle", widthMm: 12, heightMm: 30 }, "mirage"), faceDown: true } as Stuff,
			2,
			0,
			0,
			0,
			1,
		),
		lay("Cap", cut({ kind: "rectangle", widthMm: 18, heightMm: 36 }, "clear"), 3, 0, 0, 0, 1),
	],
	route: [
		{ level: "full", handWork: "wash and dry" },
		{ level: "full", handWork: "rough the back, glue the pin", turnedOver: true },
	],
};

/** A gate of bars for a garden wall: openwork without a base, and dots from a firing before. */
const fieldGate: KitDesign = {
	...emptyKit("Field gate"),
	note: "Rivets are fired first, loose on the shelf, then laid on the crossings.",
	components: [{ id: "rivet", name: "Rivet", firing: 0, parts: [part("Rivet square", square(10), "stubble", 0)] }],
	parts: [
		...[-30, 0, 30].map((y, i) => lay(`Rail ${i + 1}`, cut(strip(120, 10), "tin-roof"), 0, 0, y, 0, 1)),
		...[-50, 0, 50].map((x, i) => lay(`Post ${i + 1}`, cut(strip(80, 10), "windbreak"), 1, x, 0, 90, 1)),
		...[-50, 0, 50].flatMap((x) =>
			[-30, 30].map((y) => lay("Rivet", { kind: "component", componentId: "rivet" }, 2, x, y, 0, 1)),
		),
	],
	route: [
		{ level: "full", handWork: "" },
		{ level: "tack", handWork: "wash" },
	],
};

/** A pocket for a letter or a stalk of wheat: two sheets round an insert of fibre that is drawn afterwards. */
const grainPocket: KitDesign = {
	...emptyKit("Grain-sack pocket"),
	note: "Wrap the insert in shelf paper and let it stick out at the top.",
	parts: [
		part("Back", { kind: "rectangle", widthMm: 90, heightMm: 120 }, "stubble", 0),
		lay(
			"Insert",
			{ kind: "fibre", use: "insert", shape: { kind: "rectangle", widthMm: 60, heightMm: 100 }, heightMm: 6 },
			1,
			0,
			20,
		),
		part("Front", { kind: "rectangle", widthMm: 90, heightMm: 96 }, "clear", 2, 0, -12),
		...[-24, -8, 8].map((y, i) =>
			lay(
				`Seam ${i + 1}`,
				{
					kind: "thread",
					glassId: "axle-thread",
					points: [
						{ x: -38, y: 0 },
						{ x: 38, y: 0 },
					],
				},
				3,
				0,
				y,
			),
		),
	],
	route: [{ level: "tack", handWork: "draw the insert outside, damp; wash" }],
};

/** A small casting in a steel ring: clear coarse frit keeps the colours bright, a band of colour between. */
const bearingCast: KitDesign = {
	...emptyKit("Bearing paperweight"),
	note: "Line the ring with fibre and shelf paper. Fill in this order, lightly pressed.",
	parts: [
		lay(
			"Steel ring",
			{ kind: "dam", shape: { kind: "ring", diameterMm: 66, holeMm: 60 }, heightMm: 25, of: "steel", liningMm: 3 },
			0,
		),
		...[
			["Clear below", "clear-coarse", 0.9],
			["Dusk", "dusk-fine", 0.5],
			["Clear between", "clear-coarse", 0.6],
			["Stubble", "stubble-powder", 0.15],
			["Clear above", "clear-coarse", 0.7],
		].map(([name, glassId, gPerCm2], layer) =>
			lay(
				name as string,
				{
					kind: "grains",
					shape: { kind: "circle", diameterMm: 53.5 },
					glassId: glassId as string,
					gPerCm2: gPerCm2 as number,
				},
				layer,
			),
		),
	],
	route: [{ level: "deep", handWork: "grind the rim, wash" }],
};

export const KITS = [
	ninePatch,
	pumpWheel,
	mapDish,
	kitePanel,
	roofRing,
	nightBrooch,
	grainPocket,
	bearingCast,
	fieldGate,
];

/** Small pieces that were tried before a class, and what came of them. */
export const SAMPLES: {
	name: string;
	document: KitDesign;
	level: FuseLevel;
	peakC: number;
	result: string;
	shows: FindingCode[];
}[] = [
	{
		name: "Pump rust on clear",
		document: {
			...emptyKit("Pump rust on clear"),
			parts: [part("Base", square(40), "clear", 0), part("Striker", square(30), "pump-rust", 1)],
		},
		level: "full",
		peakC: 804,
		result: "Pale in the hand, brick red after one firing. A second firing darkens it only a little.",
		shows: ["striker"],
	},
	{
		name: "Stubble beside high sky",
		document: {
			...emptyKit("Stubble beside high sky"),
			parts: [
				part("Base", square(50), "clear", 0),
				part("Stubble", { kind: "rectangle", widthMm: 25, heightMm: 50 }, "stubble", 1, -12.5),
				part("High sky", { kind: "rectangle", widthMm: 25, heightMm: 50 }, "high-sky", 1, 12.5),
			],
		},
		level: "contour",
		peakC: 766,
		result: "A brown line about a millimetre wide along the joint, even and rather handsome.",
		shows: ["reaction"],
	},
];
