import type { FuseLevel } from "../firing/level";
import { boundsOf } from "../geometry/bounds";
import { outerRing } from "../geometry/outer-ring";
import type { Point, Ring } from "../geometry/region";
import { DENSITY_G_PER_MM3 } from "../glass/constants";
import type { KitDesign } from "../kit/kit";
import { CORE_VERSION } from "../version";
import { touchesDarkAndWhite, trappedSpanMm } from "./contacts";
import { effectiveThicknessMm } from "./effective-thickness";
import type { Finding } from "./finding";
import { findingsOf } from "./findings";
import { hangs } from "./findings/hanging";
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
}

/** Reads a kit for the firing that puts it together, or for another one of its route. */
export const readKit = (design: KitDesign, book: GlassBook, firing?: number): KitReading =>
	readingOf(stackOf(design, book, firing));

export function readingOf(stack: Stack): KitReading {
	const { thickestMm, thinnestMm, level, areaMm2, volumeMm3, contacts } = stack;
	const bounds = boundsOf(stack.glass.flatMap(({ region }) => region));
	const families = [...new Set(stack.glass.flatMap(({ glasses }) => glasses.map(({ familyId }) => familyId)))];
	const familyId = families.length === 1 ? families[0] : undefined;
	const column = stack.thickest?.parts.filter(({ glassMm }) => glassMm > 0) ?? [];
	return {
		coreVersion: CORE_VERSION,
		firing: stack.firing,
		widthMm: bounds.widthMm,
		heightMm: bounds.heightMm,
		outline: outerRing(stack.glass.map(({ region }) => region)),
		areaMm2,
		massG: volumeMm3 * DENSITY_G_PER_MM3,
		thickestMm,
		thinnestMm,
		meanMm: areaMm2 > 0 ? volumeMm3 / areaMm2 : 0,
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
		effectiveMm: effectiveThicknessMm(thickestMm + stack.insertMm, thinnestMm, level, stack.hadLevel),
		trappedSpanMm: trappedSpanMm(contacts),
		blackBesideWhite: touchesDarkAndWhite(contacts),
		findings: findingsOf(stack),
	};
}

/** Family, thicknesses at the thickest column from the shelf up, level. A mixed stack has no family: "mixed". */
export function stackCode(familyId: string | undefined, thicknessesMm: readonly number[], level: FuseLevel): string {
	const stack = thicknessesMm.map((mm) => Number(mm.toFixed(1))).join("·") || "–";
	return `${familyId ?? "mixed"} | ${stack} | ${level === "firePolish" ? "fire polish" : level}`;
}
