import type { Ring } from "../geometry/region";
import { placeRing } from "../geometry/shape";
import { boxOutline } from "./outlines/fired-outline";

/** A piece where it lies on a shelf. Lengths mm, from the shelf's lower left. */
export interface Place {
	id: string;
	/** The middle of its box. */
	xMm: number;
	yMm: number;
	/** Counter-clockwise. */
	turnDeg: number;
	/** On which of the kiln’s shelves, counted from the lowest, 0. */
	shelf: number;
	/** The box of what it covers after firing, before it is turned. */
	widthMm: number;
	heightMm: number;
	/** What it covers after firing, round the middle of its box, before it is turned; null: all of its box. */
	outline: Ring | null;
}

export const outlineOf = ({ outline, widthMm, heightMm }: Pick<Place, "outline" | "widthMm" | "heightMm">): Ring =>
	outline ?? boxOutline(widthMm, heightMm);

/** What a piece covers on the shelf after firing. */
export const laidRing = (place: Place): Ring =>
	placeRing(outlineOf(place), { x: place.xMm, y: place.yMm }, place.turnDeg);
