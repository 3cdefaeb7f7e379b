import { boxOf, type CutShape, shapeAreaMm2 } from "../geometry/shape";
import { groupBy } from "../group-by";
import { glassIdOf, type KitPart, type PartKind, wallStuffOf } from "../kit/kit";
import { lengthOf } from "../kit/length";
import type { Figure } from "../units/phrase";
import { type Spares, USUAL_SPARES } from "./spares";

/** One line of a list of what a kit needs: so many of one cut from one glass, or one pot, length or loop. Lengths mm. */
export interface CutLine {
	/** Same cut, same glass → same key, also after parts were renamed or moved. */
	key: string;
	kind: PartKind;
	/** Null for metal, fibre and dams. */
	glassId: string | null;
	/** Null for what is not cut to a shape. */
	shape: CutShape | null;
	/** Length of a thread, grams in a pot, height of fibre, diameter of a dot or wire eye. */
	amount: Figure | null;
	/** It is bought cut to its shape. */
	isBought?: boolean;
	/** What it is, where no glass says so: "copper foil". */
	stuff: string;
	/** Width of the strip it is scored from: the shorter side. */
	stripMm: number;
	perKit: number;
	needed: number;
	spares: number;
}

const LARGE_MM = 100;

/** A part to cut or weigh out: how many a kit holds of it, and how many are needed for all kits. */
export interface WantedPart {
	part: KitPart;
	perKit: number;
	needed: number;
}

/** The same parts for so many kits. */
export const forKits = (parts: readonly KitPart[], kits: number): WantedPart[] =>
	parts.map((part) => ({ part, perKit: 1, needed: kits }));

/** Everything to prepare, with spares: cuts per glass, widest strip first, then the rest. */
export function cutListOf(wanted: readonly WantedPart[], spares: Spares = USUAL_SPARES): CutLine[] {
	return [...groupBy(wanted, ({ part }) => cutKey(part)).entries()]
		.map(([key, same]): CutLine => {
			const { part } = same[0] as WantedPart;
			const shape = "shape" in part ? part.shape : null;
			const needed = same.reduce((sum, one) => sum + one.needed, 0);
			return {
				key,
				kind: part.kind,
				glassId: glassIdOf(part) ?? null,
				shape,
				amount: amountOf(part),
				isBought: part.kind === "sheet" && part.bought === true,
				stuff: stuffOf(part),
				stripMm: shape ? Math.min(...boxOf(shape)) : 0,
				perKit: same.reduce((sum, one) => sum + one.perKit, 0),
				needed,
				spares: part.kind === "sheet" ? sparesFor(part.shape, needed, spares) : 0,
			};
		})
		.sort(
			(a, b) =>
				Number(a.kind !== "sheet") - Number(b.kind !== "sheet") ||
				(a.glassId ?? "").localeCompare(b.glassId ?? "") ||
				b.stripMm - a.stripMm ||
				longSide(b) - longSide(a),
		);
}

/** A cut that is scored from a sheet here. */
export const isScored = ({ kind, isBought }: Pick<CutLine, "kind" | "isBought">): boolean =>
	kind === "sheet" && !isBought;

/** A share more and at least so many of each kind; one is enough of a part as large as the piece itself. */
export function sparesFor(shape: CutShape, needed: number, { share, least }: Spares = USUAL_SPARES): number {
	if (needed === 0) return 0;
	const spares = Math.max(least, Math.ceil(needed * share));
	return Math.min(...boxOf(shape)) >= LARGE_MM ? Math.min(1, spares) : spares;
}

function amountOf(part: KitPart): Figure | null {
	switch (part.kind) {
		case "thread":
			return { mm: lengthOf(part.points) };
		case "grains":
			return { g: (shapeAreaMm2(part.shape) / 100) * part.gPerCm2 };
		case "lump":
			return { mm: part.diameterMm };
		case "loop":
			return { mm: part.eyeMm };
		case "fibre":
		case "dam":
			return { mm: part.heightMm };
		default:
			return null;
	}
}

function stuffOf(part: KitPart): string {
	switch (part.kind) {
		case "foil":
			return `${part.metal} foil`;
		case "loop":
			return `${part.metal} wire loop`;
		case "fibre":
			return part.use === "insert" ? "fibre insert" : "fibre support";
		case "dam":
			return `wall of ${wallStuffOf(part)}`;
		case "lump":
			return part.form === "slice" ? "cane slice" : "dot";
		case "thread":
			return "stringer or ribbon";
		case "grains":
			return "frit or powder";
		default:
			return "";
	}
}

const rounded = (mm: number) => Number(mm.toFixed(2));

function cutKey(part: KitPart): string {
	const glassId = glassIdOf(part) ?? stuffOf(part);
	if (part.kind === "sheet") return `${glassId}:${shapeKey(part.shape)}${part.bought ? ":bought" : ""}`;
	const amount = amountOf(part);
	const figure = amount ? Object.values(amount).map((value) => rounded(value as number)) : [];
	return [glassId, part.kind, ...figure, ...("shape" in part ? [shapeKey(part.shape)] : [])].join(":");
}

/** The same cut however it was named: a square is a rectangle, and so is a strip. */
function shapeKey(shape: CutShape): string {
	const [w, h] = boxOf(shape).map(rounded) as [number, number];
	switch (shape.kind) {
		case "triangle":
		case "circle":
			return `${shape.kind}:${w}x${h}`;
		case "ring":
			return `ring:${rounded(shape.diameterMm)}x${rounded(shape.holeMm)}`;
		case "polygon":
			return `polygon:${shape.sides}x${rounded(shape.diameterMm)}`;
		case "outline":
			return `outline:${w}x${h}x${rounded(shapeAreaMm2(shape))}`;
		default:
			return `rectangle:${[w, h].sort((a, b) => b - a).join("x")}`;
	}
}

const longSide = ({ shape }: CutLine) => (shape ? Math.max(...boxOf(shape)) : 0);
