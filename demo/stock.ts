import { BOUGHT_SINGLY, type StockItem, type StockKind } from "../core/stock/kinds";

type Line = Omit<StockItem, "id"> & { amount: number };

const line = (kind: StockKind, glassId: string | null, amount: number, rest: Partial<Line>): Line => ({
	kind,
	glassId,
	name: "",
	widthMm: null,
	heightMm: null,
	sizeMm: null,
	place: "",
	...BOUGHT_SINGLY,
	fromItemId: null,
	amount,
	...rest,
});

const sheets = (glassId: string, amount: number, slot: number, low: number | null = 1): Line =>
	line("sheet", glassId, amount, { widthMm: 500, heightMm: 430, place: `rack, slot ${slot}`, low, priceMinor: 1900 });

const offcut = (name: string, glassId: string, widthMm: number, heightMm: number): Line =>
	line("offcut", glassId, 1, { name, widthMm, heightMm, place: "bin under the stair" });

const jar = (glassId: string, grams: number, low: number): Line =>
	line("grains", glassId, grams, { place: "grain drawer", low, buyAmount: 450, priceMinor: 1650 });

/** What stands in the demo's racks and drawers. */
export const STOCK: readonly Line[] = [
	sheets("clear", 6, 1, 3),
	sheets("stubble", 2, 2),
	sheets("dusk", 3, 3),
	sheets("tin-roof", 1, 4),
	sheets("high-sky", 2, 5),
	sheets("pump-rust", 1, 6),
	sheets("windbreak", 1, 7, 2),
	sheets("limewash", 2, 8),
	sheets("prairie-streak", 1, 9, null),
	offcut("B7", "stubble", 210, 90),
	offcut("B8", "stubble", 120, 104),
	offcut("C2", "dusk", 260, 140),
	offcut("C5", "pump-rust", 300, 210),
	offcut("D1", "clear", 240, 196),
	jar("clear-coarse", 820, 300),
	jar("limewash-powder", 140, 200),
	jar("dusk-fine", 460, 150),
	line("thread", "axle-thread", 22, {
		sizeMm: 430,
		place: "tube by the window",
		low: 10,
		buyAmount: 40,
		priceMinor: 1400,
	}),
	line("thread", "lime-thread", 9, {
		sizeMm: 430,
		place: "tube by the window",
		low: 10,
		buyAmount: 40,
		priceMinor: 1400,
	}),
	line("finding", null, 34, {
		name: "copper wire loop",
		sizeMm: 6,
		place: "drawer 3",
		low: 20,
		buyAmount: 50,
		priceMinor: 900,
	}),
	line("finding", null, 2, { name: "white glue, 250 ml", place: "glue shelf", low: 1, priceMinor: 450 }),
	line("paper", null, 5, {
		name: "kiln paper",
		widthMm: 520,
		heightMm: 520,
		place: "flat drawer",
		low: 4,
		priceMinor: 260,
	}),
	line("apart", null, 1, { name: "clear, from a window", widthMm: 180, heightMm: 120, place: "red crate" }),
];
