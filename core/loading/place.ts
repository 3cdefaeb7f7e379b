import type { Ring } from "../geometry/region";
import { placeRing } from "../geometry/shape";
import { boxOutline } from "./outlines/fired-outline";
import type { KilnPlacement } from "./placement";

/** A piece where it lies in a kiln, as it is kept and sent. mm */
export interface Place extends KilnPlacement {
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
