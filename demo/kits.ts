import type { CutShape } from "@core/geometry/shape";
import type { KitDesign, KitPart } from "@core/stack/kit";

let count = 0;
const part = (
	name: string,
	shape: CutShape,
	glassId: string,
	layer: number,
	xMm = 0,
	yMm = 0,
	turnDeg = 0,
): KitPart => ({
	id: `part-${++count}`,
	name,
	shape,
	glassId,
	layer,
	xMm,
	yMm,
	turnDeg,
});
const square = (sideMm: number): CutShape => ({ kind: "square", sideMm });

/** Nine patches of two glasses on a clear base: a quilt block that ends flat. */
const ninePatch: KitDesign = {
	name: "Nine-patch coaster",
	note: "Smooth sides together. Keep it flat: nothing coarse on top.",
	parts: [
		part("Base", square(96), "clear", 0),
		...[-32, 0, 32].flatMap((y, row) =>
			[-32, 0, 32].map((x, column) => {
				const even = (row + column) % 2 === 0;
				return part(even ? "Patch" : "Field", square(32), even ? "stubble" : "dusk", 1, x, y);
			}),
		),
	],
	route: [{ level: "full", handWork: "" }],
};

const BLADES = [0, 90, 180, 270];

/** The wheel of a wind pump: blades on a disc on a tile, kept raised. */
const pumpWheel: KitDesign = {
	name: "Pump-wheel tile",
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
		part("Vane", { kind: "strip", lengthMm: 34, widthMm: 8 }, "stubble", 2, 0, -49),
	],
	route: [{ level: "contour", handWork: "wet pad the rim, wash" }],
};

const BANDS = ["windbreak", "stubble", "high-sky", "limewash", "thistle", "tin-roof", "windbreak"];

/** Strips side by side like height lines on a map, fused flat, then slumped into a dish. */
const mapDish: KitDesign = {
	name: "Contour-map dish",
	note: "Strips in this order from the left. Grind the rim before it is slumped.",
	parts: [
		part("Base", square(140), "clear", 0),
		...BANDS.map((glassId, i) =>
			part(`Band ${i + 1}`, { kind: "strip", lengthMm: 140, widthMm: 20 }, glassId, 1, (i - 3) * 20, 0, 90),
		),
	],
	route: [
		{ level: "full", handWork: "grind the rim, wash and dry" },
		{ level: "slump", handWork: "" },
	],
};

export const KITS = [ninePatch, pumpWheel, mapDish];
