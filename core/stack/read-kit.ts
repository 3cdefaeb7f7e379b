import type { FuseLevel } from "../firing/level";
import { outerRing } from "../geometry/outer-ring";
import type { Point, Ring } from "../geometry/region";
import { turnedOver } from "../geometry/turned-over";
import type { KitDesign } from "../kit/kit";
import { asPiece, kitBody } from "../piece/kit-body";
import type { KitBody } from "../piece/piece-body";
import { CORE_VERSION } from "../version";
import type { Finding } from "./finding";
import { findingsOf } from "./findings";
import { hangs } from "./findings/hanging";
import { pieceStacks } from "./firing-stacks";
import type { Hang } from "./hang";
import type { GlassBook } from "./lay";
import { type Stack, stackOf } from "./stack";

export type { GlassBook } from "./lay";

/** Everything the core can say about a kit before a sheet is touched. Lengths mm, mass g. */
export interface KitReading {
	coreVersion: string;
	/** The firing of the route it was read for, 0 first. */
	firing: number;
	widthMm: number;
	heightMm: number;
	/** What it covers as laid up, round the middle of its box; readings before core 5 have none. */
	outline?: Ring;
	/** Plan area covered by glass. */
	areaMm2: number;
	massG: number;
	thickestMm: number;
	/** Thickness that 95 % of the area reaches. */
	thinnestMm: number;
	meanMm: number;
	/** Centre of mass. */
	centre: Point;
	hang: Hang;
	/** Glasses of the thickest column, from the shelf up. */
	columnGlassIds: string[];
	/** Their thicknesses, mm. */
	columnMm: number[];
	/** "90 | 3·3·2 | tack"; empty without glass. */
	stackCode: string;
	familyId: string | undefined;
	level: FuseLevel;
	effectiveMm: number;
	trappedSpanMm: number;
	blackBesideWhite: boolean;
	findings: Finding[];
	/** Of each firing of the piece’s own route: what it is then, and what it covers as laid. Readings before core 6 have none. */
	bodies?: KitBody[];
	outlines?: Ring[];
}

/** Reads a kit for the firing that puts it together, and what its piece is in each firing of its own route. */
export function readKit(design: KitDesign, book: GlassBook): KitReading {
	const stack = stackOf(design, book);
	const stacks = stack.glass.length > 0 ? pieceStacks(stack) : [];
	return { ...readingOf(stack), bodies: stacks.map(kitBody), outlines: stacks.map(outlineOf) };
}

/** What it covers as it lies on the shelf: laid upside down, mirrored. */
function outlineOf({ glass, step }: Stack): Ring {
	const outline = outerRing(glass.map(({ region }) => region));
	return step.turnedOver ? turnedOver(outline) : outline;
}

export function readingOf(stack: Stack): KitReading {
	const { thickestMm, thinnestMm, level, areaMm2 } = stack;
	const body = asPiece(kitBody(stack));
	const { widthMm, heightMm, meanMm, massG, effectiveMm, trappedSpanMm, blackBesideWhite } = body;
	const families = [...new Set(stack.glass.flatMap(({ glasses }) => glasses.map(({ familyId }) => familyId)))];
	const familyId = families.length === 1 ? families[0] : undefined;
	const column = stack.thickest?.parts.filter(({ glassMm }) => glassMm > 0) ?? [];
	return {
		coreVersion: CORE_VERSION,
		firing: stack.firing,
		...{ widthMm, heightMm, outline: outlineOf(stack), areaMm2, massG, thickestMm, thinnestMm, meanMm },
		centre: stack.centre,
		hang: hangs(stack),
		columnGlassIds: column.map(({ glass }) => glass?.id ?? ""),
		columnMm: column.map(({ glassMm }) => glassMm),
		stackCode:
			column.length === 0
				? ""
				: stackCode(
						familyId,
						column.map(({ glassMm }) => glassMm),
						level,
					),
		familyId,
		level,
		...{ effectiveMm, trappedSpanMm, blackBesideWhite },
		findings: findingsOf(stack),
	};
}

/** Family, thicknesses at the thickest column from the shelf up, level. A mixed stack has no family: "mixed". */
export function stackCode(familyId: string | undefined, thicknessesMm: readonly number[], level: FuseLevel): string {
	const stack = thicknessesMm.map((mm) => Number(mm.toFixed(1))).join("·") || "–";
	return `${familyId ?? "mixed"} | ${stack} | ${level === "firePolish" ? "fire polish" : level}`;
}
