import { boundsOf } from "@core/geometry/bounds";
import type { Point } from "@core/geometry/region";
import { type CutShape, SHAPE_KINDS } from "@core/geometry/shape";
import { type Glass, type GlassForm, inUse } from "@core/glass/glass";
import { glassIdOf, type KitDesign, type KitPart, type Lie, type Stuff } from "@core/kit/kit";
import { layerOnTop } from "@core/kit/layer-on-top";
import { tidyMm } from "@core/units/tidy";
import { SHAPE_WORDS } from "../../../ui/part-words";
import { newId } from "../draft";

/** What can be laid on the bench, in the order of the menu. */
export const NEW_PARTS = [
	...SHAPE_KINDS,
	"stringer",
	"ribbon",
	"frit",
	"powder",
	"dot",
	"caneSlice",
	"foil",
	"loop",
	"support",
	"insert",
	"dam",
] as const;
export type NewPart = (typeof NEW_PARTS)[number];

export const NEW_PART_WORDS: Record<NewPart, string> = {
	...SHAPE_WORDS,
	stringer: "stringer",
	ribbon: "ribbon",
	frit: "frit area",
	powder: "powder area",
	dot: "dot",
	caneSlice: "cane slice",
	foil: "foil",
	loop: "wire loop",
	support: "fibre under",
	insert: "fibre insert",
	dam: "wall",
};

/** Usual sizes to begin with, mm. */
export const USUAL_SHAPE: Record<CutShape["kind"], CutShape> = {
	rectangle: { kind: "rectangle", widthMm: 50, heightMm: 30 },
	square: { kind: "square", sideMm: 30 },
	strip: { kind: "strip", lengthMm: 50, widthMm: 10 },
	triangle: { kind: "triangle", widthMm: 30, heightMm: 30 },
	circle: { kind: "circle", diameterMm: 30 },
	ring: { kind: "ring", diameterMm: 50, holeMm: 30 },
	polygon: { kind: "polygon", sides: 6, diameterMm: 40 },
	outline: {
		kind: "outline",
		points: [
			{ x: -20, y: -12 },
			{ x: 20, y: -12 },
			{ x: 12, y: 12 },
			{ x: -12, y: 12 },
		],
	},
};
const BASE: CutShape = { kind: "square", sideMm: 100 };

/** What lies on the bench, and what is needed to know its outlines. */
export interface BenchParts {
	parts: readonly KitPart[];
	components: KitDesign["components"];
	glasses: readonly Glass[];
}

/** Something as it comes to the bench: in the middle, on top of what it overlaps there, in the last firing of what lies there. */
export function onTop(bench: BenchParts, name: string, stuff: Stuff, more: Partial<Lie> = {}): KitPart {
	const { parts, glasses } = bench;
	const part = {
		id: newId(),
		name,
		layer: 0,
		xMm: 0,
		yMm: 0,
		turnDeg: 0,
		firing: Math.max(0, ...parts.map(({ firing }) => firing)),
		...more,
		...stuff,
	};
	return more.layer === undefined ? { ...part, layer: layerOnTop(part, parts, bench, glasses) } : part;
}

/** A new part of the glass used last, where it fits; fibre under and walls lie at the bottom. */
export function newPart(what: NewPart, bench: BenchParts, firing: number): KitPart | undefined {
	const { parts, glasses } = bench;
	const lastGlassId = parts.map(glassIdOf).findLast((id) => id !== undefined);
	const stuff = stuffOf(what, glasses, parts.length === 0, lastGlassId);
	if (!stuff) return undefined;
	const onShelf = what === "dam" || what === "support";
	return onTop(bench, nameFor(what, parts), stuff, { firing, ...(onShelf && { layer: 0 }) });
}

/** A stringer or ribbon along the points that were pressed on the plan. */
export function drawnThread(
	bench: BenchParts,
	{ points, form }: { points: readonly Point[]; form: "stringer" | "ribbon" },
	glassId: string,
): KitPart {
	const { minX, maxX, minY, maxY } = boundsOf([points]);
	const middle = { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
	const own = points.map(({ x, y }) => ({ x: tidyMm(x - middle.x, 0.1), y: tidyMm(y - middle.y, 0.1) }));
	return onTop(
		bench,
		form === "ribbon" ? "Ribbon" : "Stringer",
		{ kind: "thread", glassId, points: own },
		{ xMm: tidyMm(middle.x, 0.1), yMm: tidyMm(middle.y, 0.1) },
	);
}

function nameFor(what: NewPart, parts: readonly KitPart[]): string {
	const word = NEW_PART_WORDS[what].replace(/^./, (letter) => letter.toUpperCase());
	const same = parts.filter(({ name }) => name === word || name.startsWith(`${word} `)).length;
	return same === 0 ? word : `${word} ${same + 1}`;
}

function stuffOf(
	what: NewPart,
	glasses: readonly Glass[],
	isFirst: boolean,
	lastGlassId: string | undefined,
): Stuff | undefined {
	const first = (form: GlassForm, fits: (glass: Glass) => boolean = () => true) => {
		const all = inUse(glasses).filter((glass) => glass.form === form && fits(glass));
		return (all.find(({ id }) => id === lastGlassId) ?? all.find(({ opacity }) => opacity === "clear") ?? all[0])?.id;
	};
	const line = (half: number) => [
		{ x: -half, y: 0 },
		{ x: half, y: 0 },
	];
	const withGlass = (id: string | undefined, make: (glassId: string) => Stuff) =>
		id === undefined ? undefined : make(id);
	switch (what) {
		case "stringer":
		case "ribbon":
			return withGlass(first(what), (glassId) => ({ kind: "thread", points: line(25), glassId }));
		case "frit":
		case "powder":
			return withGlass(
				first("frit", ({ grade }) => (grade === "powder") === (what === "powder")),
				(glassId) => ({
					kind: "grains",
					shape: USUAL_SHAPE.rectangle,
					glassId,
					gPerCm2: what === "powder" ? 0.06 : 0.2,
				}),
			);
		case "dot":
			return withGlass(first("sheet"), (glassId) => ({
				kind: "lump",
				form: "dome",
				diameterMm: 9,
				heightMm: 4,
				glassId,
			}));
		case "caneSlice":
			return withGlass(first("cane"), (glassId) => ({
				kind: "lump",
				form: "slice",
				diameterMm: 7,
				heightMm: 5,
				glassId,
			}));
		case "foil":
			return { kind: "foil", metal: "copper", shape: { kind: "square", sideMm: 15 } };
		case "loop":
			return { kind: "loop", metal: "copper", wireMm: 1, eyeMm: 6, tailMm: 15 };
		case "support":
			return { kind: "fibre", use: "support", shape: { kind: "rectangle", widthMm: 30, heightMm: 20 }, heightMm: 3 };
		case "insert":
			return { kind: "fibre", use: "insert", shape: { kind: "rectangle", widthMm: 50, heightMm: 40 }, heightMm: 6 };
		case "dam":
			return {
				...{ kind: "dam", shape: { kind: "ring", diameterMm: 66, holeMm: 60 }, heightMm: 25 },
				...{ of: "steel", liningMm: 3 },
			};
		default:
			return withGlass(first("sheet"), (glassId) => ({
				kind: "sheet",
				shape: isFirst && what === "square" ? BASE : USUAL_SHAPE[what],
				glassId,
				faceDown: false,
			}));
	}
}
