import type { Point, Ring } from "@core/geometry/region";
import polylabel from "polylabel";

/** To a millimetre: a name is read there, nothing is cut. */
const PRECISION_MM = 1;

/** The place in an outline that is farthest from its edge, and how far that is, mm: there is most room for a name. */
export function inmost(ring: Ring): Point & { roomMm: number } {
	const found = polylabel([ring.map(({ x, y }): [number, number] => [x, y])], PRECISION_MM);
	return { x: found[0], y: found[1], roomMm: found.distance };
}
