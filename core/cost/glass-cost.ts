import { shapeAreaMm2 } from "../geometry/shape";
import type { Glass } from "../glass/glass";
import { cutsOf, glassIdOf, type KitDesign, type KitPart } from "../kit/kit";
import { lengthOf } from "../kit/length";

/** What the glass of one kit costs, in minor units of money; a first estimate. */
export interface GlassCost {
	lines: { glassId: string; minor: number }[];
	totalMinor: number;
	/** Glasses in the kit that have no price in the book. */
	unpriced: string[];
}

/** Share of a sheet that ends as waste until a cut map knows better. Common practice, no source. */
export const WASTE_SHARE = 0.25;

/** Sheet by area including waste, frit by mass, threads and cane by length. */
export function glassCostOf(design: KitDesign, glasses: ReadonlyMap<string, Glass>): GlassCost {
	const minor = new Map<string, number>();
	const unpriced = new Set<string>();
	for (const part of cutsOf(design)) {
		if (part.kind === "sheet" && part.bought) continue; // the stock says what it costs
		const glass = glasses.get(glassIdOf(part) ?? "");
		if (!glass) continue;
		if (glass.priceMinor === null) unpriced.add(glass.id);
		else minor.set(glass.id, (minor.get(glass.id) ?? 0) + amountOf(part) * glass.priceMinor);
	}
	const lines = [...minor].map(([glassId, sum]) => ({ glassId, minor: Math.round(sum) }));
	return { lines, totalMinor: lines.reduce((sum, line) => sum + line.minor, 0), unpriced: [...unpriced] };
}

/** How much of its glass a part takes, in the unit its price is for: m², kg, m. */
function amountOf(part: KitPart): number {
	switch (part.kind) {
		case "sheet":
			return shapeAreaMm2(part.shape) / 1e6 / (1 - WASTE_SHARE);
		case "grains":
			return (shapeAreaMm2(part.shape) / 100) * part.gPerCm2 * 1e-3;
		case "thread":
			return lengthOf(part.points) / 1000;
		case "lump":
			return part.form === "slice" ? part.heightMm / 1000 : 0;
		default:
			return 0;
	}
}
