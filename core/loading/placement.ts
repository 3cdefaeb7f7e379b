import type { Form } from "./outlines/form";

/**
 * Where a piece lies on a shelf: the middle of its box, mm from the shelf's lower left, turned counter-clockwise.
 * @example { id: "P-0142", xMm: 240, yMm: 180, turnDeg: 90 }
 */
export interface Placement {
	id: string;
	xMm: number;
	yMm: number;
	turnDeg: number;
}

/** Where a piece lies in a kiln. */
export interface KilnPlacement extends Placement {
	/** On which of its shelves, counted from the lowest, 0. */
	shelf: number;
}

/**
 * A piece that wants a place on a shelf.
 * @example { id: "P-0142", familyId: "wind", form, standsMm: 48, rank: 0 } // on its mould, promised before all others
 */
export interface ShelfPiece {
	id: string;
	familyId: string;
	/** What it covers after firing. */
	form: Form;
	/** How high it stands, on its mould or in its wall, mm. */
	standsMm: number;
	/** Less is promised sooner. */
	rank: number;
}

/** An outline where it lies. */
export type PlacedForm = Placement & Pick<ShelfPiece, "form">;

/** A piece where it lies, with all that decides whether it may lie there. */
export type PlacedPiece = KilnPlacement & Omit<ShelfPiece, "rank">;
