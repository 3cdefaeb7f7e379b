import { boxOf } from "../geometry/shape";
import type { KitDesign, KitPart } from "./kit";

/** More places than this where a part may lie on another are not read: it would take minutes. */
export const MOST_CROSSINGS = 20_000;

/** How many pairs of parts may lie on each other, by their upright boxes; counted no further than just past the limit. */
export function crossingsOf(design: Pick<KitDesign, "parts">): number {
	const boxes = design.parts.map(halfBox);
	let count = 0;
	for (let i = 0; i < boxes.length && count <= MOST_CROSSINGS; i++)
		for (let j = i + 1; j < boxes.length; j++) {
			const [a, b] = [boxes[i] as HalfBox, boxes[j] as HalfBox];
			if (Math.abs(a.x - b.x) < a.w + b.w - SLACK_MM && Math.abs(a.y - b.y) < a.h + b.h - SLACK_MM) count++;
		}
	return count;
}

/** Parts side by side do not lie on each other, mm. */
const SLACK_MM = 0.1;

interface HalfBox {
	x: number;
	y: number;
	w: number;
	h: number;
}

/** Middle and half the sides of the upright box round a turned part; other parts than cuts are small. */
function halfBox(part: KitPart): HalfBox {
	const [w, h] = "shape" in part ? boxOf(part.shape) : [SMALL_MM, SMALL_MM];
	const angle = (part.turnDeg * Math.PI) / 180;
	const [cos, sin] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
	return { x: part.xMm, y: part.yMm, w: (w * cos + h * sin) / 2, h: (w * sin + h * cos) / 2 };
}
const SMALL_MM = 10;
