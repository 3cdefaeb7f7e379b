import { LEVEL_AIM } from "../firing/level";
import { type Bounds, boundsOf } from "../geometry/bounds";
import { convexCovers, isConvex } from "../geometry/convex";
import { areaMm2, intersect, type Region } from "../geometry/region";
import { boxOf, shapeAreaMm2 } from "../geometry/shape";
import { DENSITY_G_PER_MM3 } from "../glass/constants";
import type { GlassFamily } from "../glass/family";
import type { Glass } from "../glass/glass";
import type { KitDesign, KitPart } from "../kit/kit";
import type { Mould } from "../kit/mould";
import { isOnEdge, placedRegion, placeRegion } from "../kit/plan";
import { afterOf } from "./after";

/** The books a reading looks things up in. */
export interface GlassBook {
	glasses: ReadonlyMap<string, Glass>;
	families: ReadonlyMap<string, GlassFamily>;
	moulds?: ReadonlyMap<string, Mould>;
	/** Clear height of the tallest kiln, mm. */
	clearHeightMm?: number;
}

/** A part as it lies on the shelf before a firing. Lengths mm. */
export interface Lain {
	id: string;
	name: string;
	layer: number;
	part: KitPart;
	region: Region;
	box: Bounds;
	areaMm2: number;
	convex: boolean;
	/** Thickness of glass it adds where it lies, once molten; 0 for metal and fibre. */
	glassMm: number;
	/** The same where it is highest: a dome by its peak. */
	peakMm: number;
	/** Height it takes before the fire. */
	bulkMm: number;
	/** The glass most of it is of. */
	glass: Glass | undefined;
	/** All glasses in it. */
	glasses: readonly Glass[];
	/** It lay in an earlier firing of the route. */
	fused: boolean;
	/** Rounded by a firing as hot as this one or hotter: it does not draw in again. */
	rounded: boolean;
}

/** Loose frit stands about this many times as high as it melts. Common practice, no source. */
export const LOOSE_FRIT = 1.85;
const FOIL_MM = 0.05;

/** Everything that lies on the shelf before one firing of the route, with its outline, from the shelf up. */
export function layUp(design: KitDesign, book: GlassBook, firing: number): Lain[] {
	const made = new Map(design.components.map((one) => [one.id, madeComponent(design, one.id, book)]));
	return design.parts
		.filter((part) => part.firing <= firing)
		.flatMap((part) => lie(part, design, book, firing, made))
		.sort((a, b) => a.layer - b.layer);
}

/** A component as it is used in a later firing. */
export interface Made extends Pick<Lain, "region" | "glassMm" | "peakMm" | "bulkMm" | "glass" | "glasses"> {
	/** Flow index of the firing that made it. */
	flow: number;
}

const flowOf = ({ route }: Pick<KitDesign, "route">, firing: number): number =>
	LEVEL_AIM[route[firing]?.level ?? "full"];

function lie(
	part: KitPart,
	design: Pick<KitDesign, "components" | "route">,
	book: Pick<GlassBook, "glasses">,
	firing: number,
	made: ReadonlyMap<string, Made>,
): Lain[] {
	if (part.kind === "component") {
		const component = made.get(part.componentId);
		if (!component || component.region.length === 0) return [];
		const { flow, ...lain } = component;
		const region = placeRegion(component.region, part);
		const rounded = flow >= flowOf(design, firing);
		return [{ ...lain, ...frame(part, region), region, fused: part.firing < firing, rounded }];
	}
	const glass = "glassId" in part ? book.glasses.get(part.glassId) : undefined;
	if ("glassId" in part && !glass) return [];
	const region = placedRegion(part, design, glass);
	const glasses = glass ? [glass] : [];
	const fused = part.firing < firing;
	const rounded = part.kind === "lump" && part.form === "dome";
	const its = heights(part, glass);
	const peakMm = part.kind === "lump" ? part.heightMm : its.glassMm;
	return [{ ...frame(part, region), ...its, peakMm, region, glass, glasses, fused, rounded }];
}

function frame(part: KitPart, region: Region) {
	const ring = region[0];
	return {
		id: part.id,
		name: part.name,
		layer: part.layer,
		part,
		box: boundsOf(region),
		areaMm2: areaMm2(region),
		convex: region.length === 1 && ring !== undefined && isConvex(ring),
	};
}

/** What both regions cover; without an overlay where one convex part covers all of the other. */
export function sharedOf(a: Pick<Lain, "region" | "convex">, b: Pick<Lain, "region" | "convex">): Region {
	if (b.convex && convexCovers(b.region[0] ?? [], a.region)) return a.region;
	if (a.convex && convexCovers(a.region[0] ?? [], b.region)) return b.region;
	return intersect(a.region, b.region);
}

/** Melted thickness and height as laid, mm. A round thread melts to π/4 of its diameter over its own width. */
export function heights(part: KitPart, glass: Glass | undefined): { glassMm: number; bulkMm: number } {
	switch (part.kind) {
		case "sheet": {
			const mm = isOnEdge(part) ? Math.min(...boxOf(part.shape)) : (glass?.thicknessMm ?? 0);
			return { glassMm: mm, bulkMm: mm };
		}
		case "thread": {
			const mm = glass?.thicknessMm ?? 0;
			return { glassMm: glass?.form === "ribbon" ? mm : (Math.PI / 4) * mm, bulkMm: mm };
		}
		case "grains": {
			const mm = part.gPerCm2 / 100 / DENSITY_G_PER_MM3;
			return { glassMm: mm, bulkMm: mm * LOOSE_FRIT };
		}
		case "lump": {
			const [r, h] = [part.diameterMm / 2, part.heightMm];
			return { glassMm: part.form === "slice" || part.ground ? h : (h * (3 * r * r + h * h)) / (6 * r * r), bulkMm: h };
		}
		case "foil":
			return { glassMm: 0, bulkMm: FOIL_MM };
		case "loop":
			return { glassMm: 0, bulkMm: part.wireMm };
		case "fibre":
		case "dam":
			return { glassMm: 0, bulkMm: part.heightMm };
		case "component":
			return { glassMm: 0, bulkMm: 0 };
	}
}

/** A component as it comes out of the firing that makes it: its outline then, and its glass spread over it. */
export function madeComponent(
	design: Pick<KitDesign, "components" | "route">,
	id: string,
	{ glasses }: Pick<GlassBook, "glasses">,
): Made {
	const component = design.components.find((one) => one.id === id);
	const flow = flowOf(design, component?.firing ?? 0);
	const parts = (component?.parts ?? [])
		.filter(({ kind }) => kind !== "component")
		.flatMap((part) => lie(part, design, { glasses }, 0, new Map()));
	const after = afterOf(
		parts.filter(({ glassMm }) => glassMm > 0),
		flow,
	);
	const most = [...parts].sort((a, b) => b.areaMm2 * b.glassMm - a.areaMm2 * a.glassMm)[0];
	return {
		region: after.region,
		glassMm: after.meanMm,
		peakMm: after.meanMm,
		bulkMm: after.meanMm,
		glass: most?.glass,
		glasses: [...new Set(parts.flatMap((one) => one.glasses))],
		flow,
	};
}

/** Mass of one part, g; a sheet by its shape's own formula. */
export const massOf = (lain: Lain): number => {
	const area = lain.part.kind === "sheet" && !isOnEdge(lain.part) ? shapeAreaMm2(lain.part.shape) : lain.areaMm2;
	return area * lain.glassMm * DENSITY_G_PER_MM3;
};
