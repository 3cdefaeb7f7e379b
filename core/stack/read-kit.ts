import type { FuseLevel } from "../firing/level";
import { boundsOf, centroid, type Point, unite } from "../geometry/region";
import { DENSITY_G_PER_MM3 } from "../glass/constants";
import type { GlassFamily } from "../glass/family";
import type { Glass } from "../glass/glass";
import { CORE_VERSION } from "../version";
import { effectiveThicknessMm } from "./effective-thickness";
import { bySeverity, type Finding } from "./finding";
import { findingsOf } from "./findings";
import type { KitDesign, KitPart } from "./kit";
import { touchesDarkAndWhite, trappedSpanMm } from "./neighbours";
import { suggestLevel } from "./suggest-level";
import { type Column, columnsOf } from "./thickness";

/** Everything the core can say about a kit before a sheet is touched. Lengths mm, mass g. */
export interface KitReading {
	coreVersion: string;
	widthMm: number;
	heightMm: number;
	/** Plan area covered by glass. */
	areaMm2: number;
	massG: number;
	thickestMm: number;
	/** Thickness that 95 % of the area reaches. */
	thinnestMm: number;
	meanMm: number;
	centre: Point;
	/** Glass of the thickest column, from the shelf up. */
	columnGlassIds: string[];
	/** "90 | 3·3·2 | tack" */
	stackCode: string;
	familyId: string | undefined;
	level: FuseLevel;
	suggestedLevel: FuseLevel;
	effectiveMm: number;
	trappedSpanMm: number;
	blackBesideWhite: boolean;
	findings: Finding[];
}

export interface GlassBook {
	glasses: ReadonlyMap<string, Glass>;
	families: ReadonlyMap<string, GlassFamily>;
}

/** The level of a kit's first firing is the one its stack is read for. */
export function readKit(design: KitDesign, book: GlassBook): KitReading {
	const parts = design.parts.filter((part) => book.glasses.has(part.glassId));
	const thicknessOf = (part: KitPart) => book.glasses.get(part.glassId)?.thicknessMm ?? 0;
	const columnMm = (column: Column) => column.parts.reduce((sum, part) => sum + thicknessOf(part), 0);
	const columns = columnsOf(parts).map((column) => ({ ...column, mm: columnMm(column) }));
	const area = columns.reduce((sum, column) => sum + column.areaMm2, 0);
	const volume = columns.reduce((sum, column) => sum + column.areaMm2 * column.mm, 0);
	const thickest = columns.reduce((a, b) => (b.mm > a.mm ? b : a), { mm: 0, parts: [] as KitPart[] });
	const thinnestMm = reachedBy(columns, 0.95);
	const bounds = boundsOf(unite(columns.map((column) => column.region)));
	const suggestedLevel = suggestLevel(thickest.mm, thinnestMm);
	const level = design.route[0]?.level ?? suggestedLevel;
	const families = [...new Set(parts.map((part) => book.glasses.get(part.glassId)?.familyId))];
	const familyId = families.length === 1 ? families[0] : undefined;
	const reading: KitReading = {
		coreVersion: CORE_VERSION,
		widthMm: bounds.widthMm,
		heightMm: bounds.heightMm,
		areaMm2: area,
		massG: volume * DENSITY_G_PER_MM3,
		thickestMm: thickest.mm,
		thinnestMm,
		meanMm: area > 0 ? volume / area : 0,
		centre: massCentre(columns),
		columnGlassIds: thickest.parts.map((part) => part.glassId),
		stackCode: stackCode(familyId, thickest.parts.map(thicknessOf), level),
		familyId,
		level,
		suggestedLevel,
		effectiveMm: effectiveThicknessMm(thickest.mm, thinnestMm, level),
		trappedSpanMm: trappedSpanMm(parts),
		blackBesideWhite: touchesDarkAndWhite(parts, book.glasses),
		findings: [],
	};
	return { ...reading, findings: findingsOf(design, parts, reading, book).sort(bySeverity) };
}

/** Family, thicknesses at the thickest column from the shelf up, level. A mixed stack has no family: "mixed". */
export function stackCode(familyId: string | undefined, thicknessesMm: readonly number[], level: FuseLevel): string {
	const stack = thicknessesMm.map((mm) => Number(mm.toFixed(1))).join("·") || "–";
	return `${familyId ?? "mixed"} | ${stack} | ${level === "firePolish" ? "fire polish" : level}`;
}

/** The thickness that `share` of the area reaches, mm. */
function reachedBy(columns: readonly { mm: number; areaMm2: number }[], share: number): number {
	const thickFirst = [...columns].sort((a, b) => b.mm - a.mm);
	const total = thickFirst.reduce((sum, column) => sum + column.areaMm2, 0);
	let covered = 0;
	for (const column of thickFirst) {
		covered += column.areaMm2;
		if (covered >= share * total - 1e-9) return column.mm;
	}
	return 0;
}

function massCentre(columns: readonly (Column & { mm: number })[]): Point {
	let [mass, x, y] = [0, 0, 0];
	for (const column of columns) {
		const centre = centroid(column.region);
		if (!centre) continue;
		const weight = column.areaMm2 * column.mm;
		mass += weight;
		x += centre.x * weight;
		y += centre.y * weight;
	}
	return mass > 0 ? { x: x / mass, y: y / mass } : { x: 0, y: 0 };
}
