import type { CountedLine } from "../cutting/glass-lists";
import { blanksOf } from "../cutting/plan/blanks";
import { needsOf } from "../stock/needs";
import { keyOf, type StockNeed } from "../stock/to-buy";
import { WASTE_SHARE } from "./glass-cost";

/** A kit's list with what it costs, minor units of money. */
export interface ListCost {
	runId: string;
	kits: number;
	/** Its share of the sheets that the plans use up, waste with it; then frit, threads, loops, fired parts. */
	sheetMinor: number;
	otherMinor: number;
	/** One kit of it, spares and waste with it. */
	kitMinor: number;
}

export interface ListCosts {
	lists: ListCost[];
	totalMinor: number;
	/** Of what the sheets cost: the share that becomes no part, 0 to 1. */
	wasteShare: number;
	/** Things that are wanted and have no price: by glass or name. */
	unpriced: string[];
}

interface Priced {
	kind: StockNeed["kind"];
	glassId: string | null;
	name: string;
	widthMm: number | null;
	heightMm: number | null;
	sizeMm: number | null;
	buyAmount: number;
	priceMinor: number | null;
}

/**
 * What the kits of some lists cost: every list bears of each glass what it takes of the sheets used up, by the area of its blanks, and all
 * else at the stock's prices; frit that the stock has no price for at the glass book's, for a kilogram.
 * What was cut without a plan is reckoned with the usual waste.
 * @param sheets of every sheet glass on the lists: what the plans use up, mm², rests that are kept left out; what of it becomes blanks; blanks
 * that were cut before any plan
 */
export function listCosts(
	runs: readonly { id: string; kits: number; lines: readonly CountedLine[] }[],
	sheets: readonly { glassId: string; usedMm2: number; cutMm2: number; beforeMm2: number }[],
	items: readonly Priced[],
	glasses: readonly { id: string; priceMinor: number | null }[],
): ListCosts {
	const unpriced = new Set<string>();
	const areas = runs.map(({ lines }) => areaByGlass(lines));
	const prices = new Map(items.map((one) => [keyOf(one), one]));
	let [usedMinor, cutMinor] = [0, 0];
	const sheetMinor = runs.map(() => 0);
	for (const { glassId, usedMm2, cutMm2, beforeMm2 } of sheets) {
		const priceMinor = glasses.find(({ id }) => id === glassId)?.priceMinor ?? null;
		if (priceMinor === null) {
			unpriced.add(glassId);
			continue;
		}
		const all = areas.reduce((sum, one) => sum + (one.get(glassId) ?? 0), 0);
		const minor = ((usedMm2 + beforeMm2 / (1 - WASTE_SHARE)) / 1e6) * priceMinor;
		usedMinor += minor;
		cutMinor += ((cutMm2 + beforeMm2) / 1e6) * priceMinor;
		for (const [i, one] of areas.entries())
			if (all > 0) sheetMinor[i] = (sheetMinor[i] ?? 0) + (minor * (one.get(glassId) ?? 0)) / all;
	}
	const otherMinor = runs.map(({ lines }) =>
		needsOf(
			lines.map((line) => ({ ...line, done: 0 })),
			items,
		).reduce((sum, need) => {
			const item = prices.get(keyOf(need));
			const byKilo = need.kind === "grains" ? glasses.find(({ id }) => id === need.glassId)?.priceMinor : null;
			const each = item?.priceMinor != null ? item.priceMinor / item.buyAmount : byKilo != null ? byKilo / 1000 : null;
			if (each === null) unpriced.add(need.glassId ?? need.name);
			return sum + (each ?? 0) * need.amount;
		}, 0),
	);
	const lists = runs.map(({ id, kits }, i) => {
		const [sheet, other] = [Math.round(sheetMinor[i] ?? 0), Math.round(otherMinor[i] ?? 0)];
		return {
			runId: id,
			kits,
			sheetMinor: sheet,
			otherMinor: other,
			kitMinor: Math.round((sheet + other) / Math.max(1, kits)),
		};
	});
	return {
		lists,
		totalMinor: lists.reduce((sum, one) => sum + one.sheetMinor + one.otherMinor, 0),
		wasteShare: usedMinor > 0 ? 1 - cutMinor / usedMinor : 0,
		unpriced: [...unpriced],
	};
}

/** Area of a list's blanks by glass, mm². */
function areaByGlass(lines: readonly CountedLine[]): Map<string, number> {
	const areas = new Map<string, number>();
	for (const line of lines) {
		const [blank] = blanksOf([line], false, ({ key }) => key);
		if (!blank || !line.glassId) continue;
		const area = blank.widthMm * blank.heightMm * blank.count;
		areas.set(line.glassId, (areas.get(line.glassId) ?? 0) + area);
	}
	return areas;
}
