import type { Nest } from "./nest";

/** Plans for scoring sheet glass: every score runs from edge to edge of the piece in hand. Lengths mm. */

/** What a blank is made into once it is cut out: nothing, two triangles corner to corner, a round nipped and ground, a free outline, several outlines sawn apart. */
export type Finish = "none" | "diagonal" | "round" | "outline" | "nest";

/** A rectangle to be scored out of sheet. Its width lies along the streaks of the sheet where it may not be turned. */
export interface Blank {
	/** Of the part it becomes. */
	key: string;
	widthMm: number;
	heightMm: number;
	/** So many rectangles. */
	count: number;
	/** Of each rectangle come so many parts. */
	yields: number;
	mayTurn: boolean;
	finish: Finish;
	/** Of a blank that is sawn apart: so many outlines as it yields. */
	nest?: Nest | undefined;
}

/** A sheet or an offcut to cut from. Its streaks, if it has any, run along its width. */
export interface StockSheet {
	id: string;
	widthMm: number;
	heightMm: number;
	/** It is being cut already: whatever fits comes from it. */
	inHand?: boolean;
}

/** Id of a whole sheet in a plan: one is like another. */
export const WHOLE = "sheet";

export interface CutRules {
	/** Glass that a cut takes away: 0 for a score, the blade's width for a saw. */
	kerfMm: number;
	/** Less than this cannot be broken off along a score. Common practice, no source: about 4 mm. */
	leastTrimMm: number;
	/** A rest with both sides at least this long is kept. */
	keepMm: number;
}

/** Common practice, no source. */
export const USUAL_CUT_RULES: CutRules = { kerfMm: 0, leastTrimMm: 4, keepMm: 40 };

/** Equal parts one above the other in a strip: one score each side, then across. */
export interface Column {
	/** From the strip's beginning. */
	xMm: number;
	widthMm: number;
	/** Of one part in it. */
	heightMm: number;
	/** Parts in it, from the foot of the strip up. */
	stack: number;
	/** Index of its blank among those asked for. */
	blank: number;
	/** Its blank's width stands upright. */
	turned: boolean;
}

/** A strip scored over the whole sheet, then cut across. */
export interface Strip {
	/** From the foot of the sheet. */
	yMm: number;
	heightMm: number;
	/** From left to right. */
	columns: Column[];
}

/** One sheet with its strips from the foot up. */
export interface SheetPlan {
	sheet: StockSheet;
	/** Strips run along the sheet's height: as drawn it lies turned by a quarter. */
	turned: boolean;
	strips: Strip[];
}

export interface CutPlan {
	/** Offcuts first, then whole sheets. */
	sheets: SheetPlan[];
	/** How many of each blank found no place: too large for any sheet. */
	short: number[];
}

/** What a plan costs. Areas mm². */
export interface PlanFigures {
	/** Whole sheets, without offcuts. */
	sheets: number;
	offcuts: number;
	scores: number;
	/** Glass of the sheets taken, of the blanks cut, of the rests that are kept. */
	takenMm2: number;
	cutMm2: number;
	keptMm2: number;
	/** Share of what is used up that becomes blanks, 0 to 1. */
	yield: number;
}

/** Length and height of the sheet as its strips lie. */
export const asLaid = ({
	sheet,
	turned,
}: Pick<SheetPlan, "sheet" | "turned">): { lengthMm: number; heightMm: number } =>
	turned
		? { lengthMm: sheet.heightMm, heightMm: sheet.widthMm }
		: { lengthMm: sheet.widthMm, heightMm: sheet.heightMm };
