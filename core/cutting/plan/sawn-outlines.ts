import type { Point } from "../../geometry/region";
import { laidOutline } from "./nest";
import type { Blank, SheetPlan } from "./types";

/** Outlines of one blank of a sheet, which are sawn apart; `strip` counts from 1. */
export interface SawnOutlines {
	strip: number;
	column: number;
	outlines: Point[][];
}

/**
 * Every outline that is nested in a blank, on the sheet as it was bought, or as its strips lie; from the upper left corner, mm. Whichever
 * way the sheet lies they are never mirrored: a part has a face.
 */
export function sawnOutlinesOf(
	plan: SheetPlan,
	blanks: readonly Blank[],
	kerfMm: number,
	as: "bought" | "laid",
): SawnOutlines[] {
	const swapped = plan.turned && as === "bought";
	return plan.strips.flatMap(({ yMm, columns }, strip) =>
		columns.flatMap(({ xMm, widthMm, heightMm: each, stack, blank, turned }, column) => {
			const its = blanks[blank];
			if (!its?.nest) return [];
			const outlines = Array.from({ length: stack }, (_, k) => {
				const y = yMm + k * (each + kerfMm);
				const cell = swapped ? { x: y, y: xMm, w: each, h: widthMm } : { x: xMm, y, w: widthMm, h: each };
				// As bought a blank stands across where it was turned; as laid, where it and its sheet were not turned alike.
				const stands = as === "bought" ? turned : turned !== plan.turned;
				return outlinesIn(cell, stands, its);
			});
			return [{ strip: strip + 1, column, outlines: outlines.flat() }];
		}),
	);
}

interface Cell {
	x: number;
	y: number;
	w: number;
	h: number;
}

/** From a blank whose y grows upwards to a sheet that is measured from its upper edge down. */
function outlinesIn({ x, y, h }: Cell, stands: boolean, { nest, heightMm }: Blank): Point[][] {
	if (!nest) return [];
	return nest.places.map((place) =>
		laidOutline(nest, place).map((at) =>
			stands ? { x: x + heightMm - at.y, y: y + h - at.x } : { x: x + at.x, y: y + h - at.y },
		),
	);
}
