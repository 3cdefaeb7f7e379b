import type { FuseLevel } from "../firing/level";
import type { Point } from "../geometry/region";
import type { CutShape } from "../geometry/shape";

/**
 * Where a part lies: the middle of its box at (xMm, yMm), turned counter-clockwise, on a layer counted from the shelf up,
 * from which firing of the route on (0 is the first).
 */
export interface Lie {
	id: string;
	name: string;
	layer: number;
	xMm: number;
	yMm: number;
	turnDeg: number;
	firing: number;
	/** Meant to come out of the kiln by itself: a dot, a petal, a sample. */
	loose?: boolean | undefined;
}

/** What a part is. Lengths mm, frit g/cm². */
export type Stuff =
	/**
	 * A cut of sheet glass. Face down: the coating or texture of its first face looks to the shelf. On edge: a strip that stands on its long
	 * side, as high as it is cut wide. Bought: it comes cut to its shape.
	 */
	| {
			kind: "sheet";
			shape: CutShape;
			glassId: string;
			faceDown: boolean;
			onEdge?: boolean | undefined;
			bought?: boolean | undefined;
	  }
	/** Stringer or ribbon along a line; its width is the glass's. */
	| { kind: "thread"; points: Point[]; glassId: string }
	/** Frit or powder strewn over an area. */
	| { kind: "grains"; shape: CutShape; glassId: string; gPerCm2: number }
	/** A dot or cabochon rounded in an earlier firing, or a slice of patterned cane. Ground: its top was ground flat, to that height. */
	| {
			kind: "lump";
			form: "dome" | "slice";
			diameterMm: number;
			heightMm: number;
			glassId: string;
			ground?: boolean | undefined;
	  }
	| { kind: "foil"; shape: CutShape; metal: Metal }
	/** A heat-proof wire loop to hang by: the eye sticks out upwards, the tail lies between layers. */
	| { kind: "loop"; metal: Metal; wireMm: number; eyeMm: number; tailMm: number }
	/** Fibre that carries a part which lies over nothing, or that keeps a pocket open inside the piece. */
	| { kind: "fibre"; use: "support" | "insert"; shape: CutShape; heightMm: number }
	/**
	 * A wall that stops spreading, or that glass is cast in. With a thickness its shape is the opening it stands round: a cutter, a free
	 * outline. Without one it is the wall itself: a ring with its hole, a row of kiln brick. Its lining makes the opening smaller all round.
	 */
	| {
			kind: "dam";
			shape: CutShape;
			heightMm: number;
			of?: WallStuff | undefined;
			wallMm?: number | undefined;
			liningMm?: number | undefined;
	  }
	/** Something of this kit made in an earlier firing. */
	| { kind: "component"; componentId: string };
export type KitPart = Lie & Stuff;
export type PartKind = Stuff["kind"];
export type PartOf<K extends PartKind> = Extract<KitPart, { kind: K }>;

export const PART_KINDS = [
	"sheet",
	"thread",
	"grains",
	"lump",
	"foil",
	"loop",
	"fibre",
	"dam",
	"component",
] as const satisfies readonly PartKind[];

/** What walls are of. */
export const WALL_STUFFS = ["steel", "brick", "board"] as const;
export type WallStuff = (typeof WALL_STUFFS)[number];

/** What a wall is of; where nobody said, a ring is of steel and anything else of kiln brick. */
export const wallStuffOf = ({ of, shape, wallMm }: PartOf<"dam">): WallStuff =>
	of ?? (shape.kind === "ring" || wallMm ? "steel" : "brick");

export const METALS = ["copper", "silver", "steel", "mica"] as const;
export type Metal = (typeof METALS)[number];

/** Parts made by themselves, loose on the shelf, in one firing and used as parts in a later one. */
export interface Component {
	id: string;
	name: string;
	/** Which firing of the route makes it. */
	firing: number;
	parts: KitPart[];
}

/** One firing of the route, and the hand work that follows it. */
export interface RouteStep {
	level: FuseLevel;
	/** Hand work after this firing, in words; empty for none. */
	handWork: string;
	/** Laid upside down for this firing. */
	turnedOver?: boolean | undefined;
	/** The mould it is fired in or over. */
	mouldId?: string | undefined;
}

/** The same kit in other colours: which glass takes the place of which. */
export interface Palette {
	id: string;
	name: string;
	glass: Record<string, string>;
}

/** The document a kit is: everything else about it is derived. */
export interface KitDesign {
	/** Version of this document's form. */
	version: typeof KIT_VERSION;
	name: string;
	note: string;
	parts: KitPart[];
	components: Component[];
	route: RouteStep[];
	palettes: Palette[];
	/** It has to end flat: something to put a glass on. */
	flat: boolean;
	/** The frame whose opening it has to cover. */
	frameId: string | null;
	/** The sample whose look it follows. */
	sampleId: string | null;
}

export const KIT_VERSION = 2;
export const LARGEST_KIT = {
	parts: 500,
	sideMm: 1500,
	layers: 40,
	firings: 6,
	points: 500,
	components: 30,
	palettes: 20,
} as const;

export const emptyKit = (name = ""): KitDesign => ({
	version: KIT_VERSION,
	name,
	note: "",
	parts: [],
	components: [],
	route: [{ level: "full", handWork: "" }],
	palettes: [],
	flat: false,
	frameId: null,
	sampleId: null,
});

/** The glass a part is cut from; undefined for metal, fibre, dams and components. */
export const glassIdOf = (part: KitPart): string | undefined => ("glassId" in part ? part.glassId : undefined);

/** Every part of a kit, those of its components too. */
export const allParts = (design: Pick<KitDesign, "parts" | "components">): KitPart[] => [
	...design.parts,
	...design.components.flatMap(({ parts }) => parts),
];

/** Every cut a kit needs: a component's parts as often as it is used. */
export const cutsOf = (design: Pick<KitDesign, "parts" | "components">): KitPart[] => [
	...design.parts.filter(({ kind }) => kind !== "component"),
	...design.parts.flatMap((part) =>
		part.kind === "component" ? (design.components.find(({ id }) => id === part.componentId)?.parts ?? []) : [],
	),
];

/** The kit in one of its palettes; as drawn where the id is unknown. */
export function inPalette(design: KitDesign, paletteId: string | undefined): KitDesign {
	const palette = design.palettes.find(({ id }) => id === paletteId);
	if (!palette) return design;
	const dyed = (part: KitPart): KitPart =>
		"glassId" in part ? { ...part, glassId: palette.glass[part.glassId] ?? part.glassId } : part;
	return {
		...design,
		parts: design.parts.map(dyed),
		components: design.components.map((one) => ({ ...one, parts: one.parts.map(dyed) })),
	};
}

/** What some colours of a kit are called; undefined for those it was drawn in. */
export const paletteName = ({ palettes }: Pick<KitDesign, "palettes">, paletteId: string): string | undefined =>
	palettes.find(({ id }) => id === paletteId)?.name;

/** The firing that puts the piece together: the last one before which anything is laid. */
export const assemblyFiring = (design: Pick<KitDesign, "parts" | "route">): number =>
	Math.min(Math.max(0, ...design.parts.map(({ firing }) => firing)), Math.max(0, design.route.length - 1));

/** The firings a piece of this kit goes through itself: those that only make its components come before it exists. */
export const pieceRoute = (design: Pick<KitDesign, "parts" | "route">): RouteStep[] =>
	design.route.slice(Math.min(...design.parts.map(({ firing }) => firing), design.route.length - 1));
