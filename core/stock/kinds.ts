/**
 * What a rack, a shelf and a drawer hold: whole sheets and offcuts of them, crushed glass, threads in lengths, what is not glass
 * (loops, foil, fibre, glue), paper, shapes that are bought cut, and parts that were fired before (dots, blades). Apart: glass nobody
 * knows the family of.
 */
export const STOCK_KINDS = [
	"sheet",
	"offcut",
	"grains",
	"thread",
	"finding",
	"paper",
	"precut",
	"component",
	"apart",
] as const;
export type StockKind = (typeof STOCK_KINDS)[number];

/** What an amount is counted in: whole pieces, or grams of crushed glass. */
export type StockUnit = "pieces" | "g";

export const unitOf = (kind: StockKind): StockUnit => (kind === "grains" ? "g" : "pieces");

/** Glass of a known family that may be cut; what stands apart never is. */
export const isGlass = (kind: StockKind): boolean => kind !== "finding" && kind !== "paper" && kind !== "apart";

/** How something is bought until somebody says otherwise: one by one, at no known price, never by itself. */
export const BOUGHT_SINGLY: Pick<StockItem, "low" | "buyAmount" | "priceMinor" | "supplier"> = {
	low: null,
	buyAmount: 1,
	priceMinor: null,
	supplier: "",
};

/** Two sides, or one size: a thread's length, a loop's eye, a dot's diameter. */
export const hasSides = (kind: StockKind): boolean =>
	kind === "sheet" || kind === "offcut" || kind === "paper" || kind === "precut";

/** Why an amount changed. */
export const STOCK_REASONS = ["bought", "taken", "returned", "broke", "counted"] as const;
export type StockReason = (typeof STOCK_REASONS)[number];

/** Something the studio has so and so much of. Lengths mm, money in minor units. */
export interface StockItem {
	id: string;
	kind: StockKind;
	/** Null for what is not glass, and for glass nobody knows. */
	glassId: string | null;
	/** What it is where no glass says so; the mark on an offcut. */
	name: string;
	widthMm: number | null;
	heightMm: number | null;
	sizeMm: number | null;
	/** Of a fired part that is no dot: what it is made of, as a kit says it. */
	madeOf?: string | null | undefined;
	/** Where it stands. */
	place: string;
	/** With so much or less it is bought again; null for never. */
	low: number | null;
	/** It is bought in so many pieces or grams at once, for so much money. */
	buyAmount: number;
	priceMinor: number | null;
	/** Who has it, what to say there. */
	supplier: string;
	/** The sheet an offcut is of. */
	fromItemId: string | null;
}
