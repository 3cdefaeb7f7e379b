import type { CutShape } from "../geometry/shape";
import { type Glass, inUse } from "../glass/glass";
import { arranged, ringRadiusMm } from "./arrange";
import { emptyKit, type KitDesign, type KitPart, type Stuff } from "./kit";

/** Kits to begin from, laid with the studio's own glass: each is changed into something of one's own. */
export const STARTERS = ["sandwichTile", "openwork", "rings"] as const;
export type Starter = (typeof STARTERS)[number];

/** Sizes mm. Common practice, no source: kits of these kinds are what classes begin with. */
const TILE_MM = 100;
const SINGLE_MM = 3;
const BAR = { longMm: 100, shortMm: 80, wideMm: 10 };
const SHINGLE = { count: 12, widthMm: 18, lengthMm: 24 };

/** The kit of a kind; undefined where the book has no sheet of a tested family to lay it from. */
export function starterKit(starter: Starter, glasses: readonly Glass[], newId: () => string): KitDesign | undefined {
	const palette = paletteOf(glasses);
	if (!palette) return undefined;
	const cut = (glass: Glass, shape: CutShape): Stuff => ({ kind: "sheet", shape, glassId: glass.id, faceDown: false });
	const lay = (name: string, stuff: Stuff, layer: number, xMm = 0, yMm = 0, turnDeg = 0): KitPart => ({
		id: newId(),
		name,
		layer,
		xMm,
		yMm,
		turnDeg,
		firing: 0,
		...stuff,
	});
	const { clear, first, second, thread } = palette;
	switch (starter) {
		case "sandwichTile": {
			const tile: CutShape = { kind: "square", sideMm: TILE_MM };
			const between: Stuff[] = thread
				? [
						{
							kind: "thread",
							glassId: thread.id,
							points: [
								{ x: -45, y: 0 },
								{ x: 45, y: 0 },
							],
						},
					]
				: [cut(first, { kind: "strip", lengthMm: 90, widthMm: 8 })];
			return {
				...emptyKit("Sandwich tile"),
				parts: [
					lay("Base", cut(clear, tile), 0),
					...[-24, 0, 24].flatMap((y, i) => between.map((stuff) => lay(`Line ${i + 1}`, stuff, 1, 0, y))),
					lay("Top", cut(clear, tile), 2),
				],
			};
		}
		case "openwork": {
			const long: CutShape = { kind: "strip", lengthMm: BAR.longMm, widthMm: BAR.wideMm };
			const short: CutShape = { kind: "strip", lengthMm: BAR.shortMm, widthMm: BAR.wideMm };
			return {
				...emptyKit("Openwork"),
				parts: [
					...[-30, 0, 30].map((y, i) => lay(`Rail ${i + 1}`, cut(first, long), 0, 0, y)),
					...[-40, 0, 40].map((x, i) => lay(`Post ${i + 1}`, cut(second, short), 1, x, 0, 90)),
				],
				route: [{ level: "full", handWork: "" }],
			};
		}
		case "rings": {
			const shingle: CutShape = { kind: "rectangle", widthMm: SHINGLE.widthMm, heightMm: SHINGLE.lengthMm };
			const radiusMm = ringRadiusMm(SHINGLE.count, SHINGLE.widthMm, -0.2) + SHINGLE.lengthMm / 2;
			const ring = { kind: "ring" as const, count: SHINGLE.count, middle: { x: 0, y: 0 }, radiusMm, layersUp: 0 };
			return {
				...emptyKit("Rings"),
				parts: [
					lay("Disc", cut(clear, { kind: "circle", diameterMm: 2 * radiusMm + SHINGLE.lengthMm }), 0),
					...arranged([lay("Lower shingle", cut(first, shingle), 1)], { ...ring, fromDeg: 90 }, newId),
					...arranged(
						[lay("Upper shingle", cut(second, shingle), 2)],
						{ ...ring, fromDeg: 90 + 180 / SHINGLE.count },
						newId,
					),
				],
				route: [{ level: "tack", handWork: "" }],
			};
		}
	}
}

interface StarterGlass {
	clear: Glass;
	first: Glass;
	second: Glass;
	thread: Glass | undefined;
}

/** Clear, two colours and a thread of one family: the one the book has most plain sheets of. */
function paletteOf(glasses: readonly Glass[]): StarterGlass | undefined {
	const plain = inUse(glasses).filter(
		({ form, coating, chemistry, roughFace }) =>
			form === "sheet" && coating === "none" && chemistry.length === 0 && !roughFace,
	);
	const clears = plain.filter(({ opacity }) => opacity === "clear");
	const coloursOf = ({ familyId }: Glass) =>
		plain.filter((glass) => glass.familyId === familyId && glass.opacity !== "clear");
	const fromSingle = ({ thicknessMm }: Glass) => Math.abs(thicknessMm - SINGLE_MM);
	const clear = [...clears].sort(
		(a, b) => coloursOf(b).length - coloursOf(a).length || fromSingle(a) - fromSingle(b),
	)[0];
	const base = clear ?? plain[0];
	if (!base) return undefined;
	const [first = base, second = first] = coloursOf(base).filter(({ thicknessMm }) => thicknessMm === SINGLE_MM);
	const thread = inUse(glasses).find(({ form, familyId }) => form === "stringer" && familyId === base.familyId);
	return { clear: base, first, second, thread };
}
