import { apart, boundsOf } from "../geometry/region";
import type { KitDesign } from "./kit";
import { placedRegion } from "./plan";

/** More places than this where a part may lie on another are not read: it would take minutes. */
export const MOST_CROSSINGS = 20_000;

/** How many pairs of parts may lie on each other, by their boxes; counted no further than just past the limit. */
export function crossingsOf(design: Pick<KitDesign, "parts" | "components">): number {
	const boxes = design.parts.map((part) => boundsOf(placedRegion(part, design)));
	let count = 0;
	for (let i = 0; i < boxes.length && count <= MOST_CROSSINGS; i++)
		for (let j = i + 1; j < boxes.length; j++) {
			const [a, b] = [boxes[i], boxes[j]];
			if (a && b && !apart(a, b, -0.1)) count++;
		}
	return count;
}
