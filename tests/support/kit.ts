import { byId } from "@core/by-id";
import type { CutShape } from "@core/geometry/shape";
import { FAMILY_90, FAMILY_96 } from "@core/glass/family";
import { type Glass, PLAIN_SHEET } from "@core/glass/glass";
import { emptyKit, type KitDesign, type KitPart, type RouteStep, type Stuff } from "@core/kit/kit";
import type { Mould } from "@core/kit/mould";
import type { GlassBook } from "@core/stack/lay";

/** Short ways to write a kit in a test. */
export const glass = (id: string, change: Partial<Glass> = {}): Glass => ({
	...PLAIN_SHEET,
	id,
	name: id,
	familyId: "90",
	...change,
});

export const GLASSES = [
	glass("clear", { opacity: "clear" }),
	glass("thin", { thicknessMm: 2 }),
	glass("black", { tone: "dark", opacity: "opalescent" }),
	glass("white", { tone: "white", opacity: "opalescent" }),
	glass("striker", { firedColour: "#bb3311" }),
	glass("copper", { chemistry: ["copper"] }),
	glass("sulphur", { chemistry: ["sulphur"] }),
	glass("ripple", { roughFace: true }),
	glass("coated", { coating: "dichroic" }),
	glass("thread", { form: "stringer", thicknessMm: 1 }),
	glass("ribbon", { form: "ribbon", thicknessMm: 1.5, widthMm: 5 }),
	glass("coarse", { form: "frit", grade: "coarse", thicknessMm: 0 }),
	glass("powder", { form: "frit", grade: "powder", thicknessMm: 0 }),
	glass("cane", { form: "cane", thicknessMm: 7 }),
	glass("other", { familyId: "96" }),
	glass("found", { familyId: "found" }),
];

export const mould = (id: string, change: Partial<Mould> = {}): Mould => ({
	id,
	name: id,
	kind: "dish",
	opening: "rectangle",
	widthMm: 140,
	heightMm: 140,
	depthMm: 20,
	texture: "",
	vented: true,
	release: "washed",
	usesSince: 0,
	count: 1,
	maxC: 900,
	...change,
});

export const book = (moulds: Mould[] = [], clearHeightMm?: number): GlassBook => ({
	glasses: byId(GLASSES),
	families: new Map([
		["90", FAMILY_90],
		["96", FAMILY_96],
		["found", { ...FAMILY_90, id: "found", label: "untested pane", tested: false }],
	]),
	moulds: byId(moulds),
	...(clearHeightMm !== undefined && { clearHeightMm }),
});

let count = 0;
export const lay = (stuff: Stuff, layer = 0, xMm = 0, yMm = 0, more: Partial<KitPart> = {}): KitPart =>
	({ id: `p${++count}`, name: `part ${count}`, layer, xMm, yMm, turnDeg: 0, firing: 0, ...stuff, ...more }) as KitPart;

export const cut = (
	shape: CutShape,
	layer = 0,
	xMm = 0,
	yMm = 0,
	glassId = "clear",
	more: Partial<KitPart> = {},
): KitPart => lay({ kind: "sheet", shape, glassId, faceDown: false }, layer, xMm, yMm, more);

export const square = (sideMm: number): CutShape => ({ kind: "square", sideMm });
export const bar = (lengthMm: number, widthMm: number): CutShape => ({ kind: "strip", lengthMm, widthMm });
export const box = (widthMm: number, heightMm: number): CutShape => ({ kind: "rectangle", widthMm, heightMm });
export const disc = (diameterMm: number): CutShape => ({ kind: "circle", diameterMm });

export const fire = (...levels: RouteStep["level"][]): RouteStep[] => levels.map((level) => ({ level, handWork: "" }));

export const kit = (parts: KitPart[], route = fire("full"), more: Partial<KitDesign> = {}): KitDesign => ({
	...emptyKit("test"),
	parts,
	route,
	...more,
});
