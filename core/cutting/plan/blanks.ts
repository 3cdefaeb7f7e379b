import { boxOf } from "../../geometry/shape";
import type { CutLine } from "../count";
import type { Blank, Finish } from "./types";

/** Ground away at each side of a shape that is not straight, mm. Common practice, no source. */
export const GRIND_MM = 1;

/**
 * Rectangles to score for the sheet parts of a list: triangles come two from a rectangle cut corner to corner, rounds and free outlines
 * from their box and what is ground off. What broke is cut again.
 * @param keyOf a key of a line, one for each list where several are cut at once
 * @param directed the glass has streaks: nothing is turned
 */
export function blanksOf<L extends CutLine & { broken?: number }>(
	lines: readonly L[],
	directed: boolean,
	keyOf: (line: L) => string,
): Blank[] {
	return lines.flatMap((line) => {
		const { shape, needed, spares, broken = 0 } = line;
		if (line.kind !== "sheet" || !shape) return [];
		const finish = FINISHES[shape.kind] ?? "none";
		const more = finish === "round" || finish === "outline" ? 2 * GRIND_MM : 0;
		const [widthMm, heightMm] = boxOf(shape);
		const yields = finish === "diagonal" ? 2 : 1;
		return [
			{
				key: keyOf(line),
				widthMm: widthMm + more,
				heightMm: heightMm + more,
				count: Math.ceil((needed + spares + broken) / yields),
				yields,
				mayTurn: !directed,
				finish,
			},
		];
	});
}

const FINISHES: Partial<Record<string, Finish>> = {
	triangle: "diagonal",
	circle: "round",
	ring: "round",
	polygon: "outline",
	outline: "outline",
};
