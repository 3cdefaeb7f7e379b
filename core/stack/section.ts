import { isInside } from "../geometry/inside";
import { boundsOf } from "../geometry/region";
import { type KitPart, partOutline } from "./kit";

/** What lies at one place of a section, from the shelf up. */
export interface SectionPlace {
	xMm: number;
	layers: { partId: string; mm: number }[];
}

export interface Section {
	places: SectionPlace[];
	stepMm: number;
	fromMm: number;
	toMm: number;
}

/** Cuts a kit across at height `yMm` of its plan, at `count` evenly spaced places. Thickness in mm. */
export function sectionAt(
	parts: readonly KitPart[],
	thicknessMm: (part: KitPart) => number,
	yMm: number,
	count = 240,
): Section {
	const outlines = [...parts].sort((a, b) => a.layer - b.layer).map((part) => ({ part, ring: partOutline(part) }));
	const { minX, maxX } = boundsOf(outlines.map(({ ring }) => ring));
	const stepMm = (maxX - minX) / count;
	const places = Array.from({ length: count }, (_, i) => {
		const xMm = minX + (i + 0.5) * stepMm;
		const layers = outlines
			.filter(({ ring }) => isInside({ x: xMm, y: yMm }, ring))
			.map(({ part }) => ({ partId: part.id, mm: thicknessMm(part) }));
		return { xMm, layers };
	});
	return { places, stepMm, fromMm: minX, toMm: maxX };
}
