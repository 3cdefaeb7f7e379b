import { hasSides, type StockItem, unitOf } from "./kinds";

/** So much of something is wanted, in pieces or grams. */
export interface StockNeed {
	kind: StockItem["kind"];
	glassId: string | null;
	name: string;
	widthMm: number | null;
	heightMm: number | null;
	sizeMm: number | null;
	/** Of a fired part that is no dot. */
	madeOf?: string | null | undefined;
	amount: number;
}

export interface BuyLine extends StockNeed {
	/** What is there of it; 0 where the book does not know it. */
	have: number;
	/** Pieces or grams that are missing. */
	missing: number;
	/** In whole buying units: so many of so much each. */
	units: number;
	unitAmount: number;
	costMinor: number | null;
	place: string;
	supplier: string;
	/** It is wanted for no list: it has run low. */
	isLow: boolean;
}

type Kept = StockItem & { amount: number };

/**
 * What has to be bought: whatever a list wants beyond what is there, and what has run low, in whole buying units.
 * @param needs one line a thing; lines about the same thing are added up
 */
export function toBuy(needs: readonly StockNeed[], items: readonly Kept[]): BuyLine[] {
	const wanted = new Map<string, StockNeed>();
	for (const need of needs) {
		const before = wanted.get(keyOf(need));
		wanted.set(keyOf(need), { ...need, amount: need.amount + (before?.amount ?? 0) });
	}
	const stock = new Map<string, { item: Kept; amount: number }>();
	for (const item of items) {
		const before = stock.get(keyOf(item));
		stock.set(keyOf(item), { item: before?.item ?? item, amount: item.amount + (before?.amount ?? 0) });
	}
	const lines = [...wanted].map(([key, need]) => lineOf(need, stock.get(key), need.amount, false));
	for (const [key, kept] of stock) {
		const { item, amount } = kept;
		if (item.low === null || item.kind === "offcut" || item.kind === "apart") continue;
		const want = wanted.get(key)?.amount ?? 0;
		if (amount - want > item.low || lines.some((line) => keyOf(line) === key && line.missing > 0)) continue;
		// Up to the line again, at least one unit.
		lines.push(lineOf({ ...item, amount: 0 }, kept, Math.max(item.low + want, amount + 1e-9), true));
	}
	return lines.filter(({ missing }) => missing > 0);
}

function lineOf(
	need: StockNeed,
	kept: { item: Kept; amount: number } | undefined,
	wanted: number,
	isLow: boolean,
): BuyLine {
	const { kind, glassId, name, widthMm, heightMm, sizeMm, amount } = need;
	const have = kept?.amount ?? 0;
	const missing = Math.max(0, wanted - have);
	const unitAmount = kept?.item.buyAmount ?? 1;
	const units = Math.ceil(missing / unitAmount - 1e-9);
	const price = kept?.item.priceMinor ?? null;
	return {
		...{ kind, glassId, name, widthMm, heightMm, sizeMm, amount, have, missing, unitAmount, isLow },
		units: missing > 0 ? Math.max(1, units) : 0,
		costMinor: price === null ? null : price * (missing > 0 ? Math.max(1, units) : 0),
		place: kept?.item.place ?? "",
		supplier: kept?.item.supplier ?? "",
	};
}

/** One thing, however many racks it stands on. An offcut serves for no sheet: plans take it by its own size. */
export function keyOf({ kind, glassId, name, widthMm, heightMm, sizeMm, madeOf }: Omit<StockNeed, "amount">): string {
	if (madeOf) return `${kind}:made:${madeOf}`;
	const named = name.trim().toLowerCase();
	const what = kind === "precut" ? `${glassId} ${named}` : (glassId ?? named);
	const sides = hasSides(kind) ? [widthMm, heightMm].map((side) => side ?? 0).sort((a, b) => b - a) : [];
	return [kind, what, ...sides, unitOf(kind) === "g" || hasSides(kind) ? "" : (sizeMm ?? "")].join(":");
}
