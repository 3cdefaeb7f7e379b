import { mostOf } from "../extremes";
import { type FuseLevel, keepsSurface, LEVEL_AIM } from "../firing/level";
import { centroid, type Point } from "../geometry/region";
import { assemblyFiring, type KitDesign, type RouteStep } from "../kit/kit";
import { type Body, bodiesOf } from "./bodies";
import { type Column, columnsOf } from "./columns";
import { type Contact, contactsOf } from "./contacts";
import { type GlassBook, type Lain, layUp } from "./lay";
import { type Rest, restsOf } from "./rest";
import { type Wall, wallsOf } from "./walls";

export interface StackColumn extends Column<Lain> {
	/** Glass, mm. */
	mm: number;
	/** The same, domes by their peak. */
	peakMm: number;
	/** Fibre left between the glass, mm. */
	insertMm: number;
}

/** A kit laid up for one firing, measured: what every finding is made from. Lengths mm. */
export interface Stack {
	design: KitDesign;
	book: GlassBook;
	firing: number;
	/** It was put together in an earlier firing: nothing new is laid. */
	isLater: boolean;
	step: RouteStep;
	level: FuseLevel;
	/** The level an earlier firing gave it; undefined where it is cold glass. */
	hadLevel: FuseLevel | undefined;
	/** Flow index of the firing. */
	flow: number;
	lain: Lain[];
	glass: Lain[];
	columns: StackColumn[];
	contacts: Contact[];
	bodies: Body[];
	rests: Rest[];
	/** What holds its glass in at the edge. */
	walls: Wall[];
	areaMm2: number;
	volumeMm3: number;
	/** As laid, domes by their peak. */
	thickestMm: number;
	/** Thickness that 95 % of the area reaches. */
	thinnestMm: number;
	thickest: StackColumn | undefined;
	insertMm: number;
	centre: Point;
}

/** Lays a kit up for a firing of its route (the assembling one if left out) and measures it. */
export function stackOf(design: KitDesign, book: GlassBook, firing = assemblyFiring(design)): Stack {
	const step = design.route[firing] ?? { level: "full" as const, handWork: "" };
	const lain = layUp(design, book, firing);
	const glass = lain.filter(({ glassMm }) => glassMm > 0);
	const columns = columnsOf(lain.filter(isFlat)).map((column) => ({ ...column, ...thicknessOf(column) }));
	const glassColumns = columns.filter(({ mm }) => mm > 0);
	const rests = restsOf(columns);
	const flow = LEVEL_AIM[step.level];
	const walls = wallsOf(lain, step.mouldId ? book.moulds?.get(step.mouldId) : undefined);
	const { bodies, contacts } = bodiesOf(lain, contactsOf(lain), rests, step.level, walls);
	const thickest = glassColumns.reduce<StackColumn | undefined>(
		(a, b) => (a && a.peakMm >= b.peakMm ? a : b),
		undefined,
	);
	return {
		design,
		book,
		firing,
		isLater: false,
		step,
		level: step.level,
		hadLevel: firedLevel(design.route.slice(0, firing)),
		flow,
		lain,
		glass,
		columns,
		contacts,
		bodies,
		rests,
		walls,
		areaMm2: glassColumns.reduce((sum, { areaMm2 }) => sum + areaMm2, 0),
		volumeMm3: glassColumns.reduce((sum, { areaMm2, mm }) => sum + areaMm2 * mm, 0),
		thickestMm: thickest?.peakMm ?? 0,
		thinnestMm: reachedBy(glassColumns, 0.95),
		thickest,
		insertMm: mostOf(
			glassColumns.map(({ insertMm }) => insertMm),
			0,
		),
		centre: massCentre(glassColumns),
	};
}

/** The highest level so far: slump and fire polish leave the surface as it was. */
const firedLevel = (steps: readonly RouteStep[]): FuseLevel | undefined =>
	steps.map(({ level }) => level).findLast((level) => !keepsSurface(level)) ?? steps[0]?.level;

/** Walls and wire are no part of the thickness map. */
const isFlat = ({ part }: Lain) => part.kind !== "dam" && part.kind !== "loop";

function thicknessOf({ parts }: Column<Lain>): { mm: number; peakMm: number; insertMm: number } {
	const glass = parts.filter(({ glassMm }) => glassMm > 0);
	const [low, high] = [glass[0]?.layer ?? 0, glass.at(-1)?.layer ?? 0];
	const inserts = parts.filter(({ part, layer }) => part.kind === "fibre" && layer > low && layer < high);
	return {
		mm: glass.reduce((sum, { glassMm }) => sum + glassMm, 0),
		peakMm: glass.reduce((sum, { peakMm }) => sum + peakMm, 0),
		insertMm: inserts.reduce((sum, { bulkMm }) => sum + bulkMm, 0),
	};
}

/** The thickness that `share` of the area reaches, mm. */
export function reachedBy(columns: readonly { mm: number; areaMm2: number }[], share: number): number {
	const thickFirst = [...columns].sort((a, b) => b.mm - a.mm);
	const total = thickFirst.reduce((sum, column) => sum + column.areaMm2, 0);
	let covered = 0;
	for (const column of thickFirst) {
		covered += column.areaMm2;
		if (covered >= share * total - 1e-9) return column.mm;
	}
	return 0;
}

function massCentre(columns: readonly StackColumn[]): Point {
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
