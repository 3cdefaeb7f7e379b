import { boxOf, type CutShape, regionOfShape } from "../../geometry/shape";
import { type CutLine, isScored } from "../count";
import { type NestedBlank, nestOf } from "./nest";
import type { Blank, CutRules, Finish } from "./types";

/** Ground away at each side of a shape that is not straight, mm. Common practice, no source. */
export const GRIND_MM = 1;

/** How a list is cut: by hand, or by a saw whose blade takes some glass; `known` are blanks of a plan that is cut by already. */
export interface CutBy {
	rules: Pick<CutRules, "kerfMm">;
	/** The largest piece of glass there is to cut from. */
	sheet: { widthMm: number; heightMm: number };
	known?: readonly Blank[] | undefined;
}

/**
 * Blanks for the sheet parts of a list. Scored by hand, triangles come two from a rectangle cut corner to corner, rounds and free outlines
 * from their box and what is ground off; a saw cuts outlines that are nested in each other. What broke is cut again.
 * @param keyOf a key of a line, one for each list where several are cut at once
 * @param directed the glass has streaks: nothing is turned
 */
export function blanksOf<L extends CutLine & { broken?: number }>(
	lines: readonly L[],
	directed: boolean,
	keyOf: (line: L) => string,
	by?: CutBy,
): Blank[] {
	return lines.flatMap((line) => {
		const { shape, needed, spares, broken = 0 } = line;
		if (!isScored(line) || !shape) return [];
		const [key, wanted] = [keyOf(line), needed + spares + broken];
		const its = by && by.rules.kerfMm > 0 ? sawn(key, shape, wanted, directed, by) : undefined;
		const { yields, ...blank } = its ?? scored(shape);
		return [{ key, ...blank, count: Math.ceil(wanted / yields), yields, mayTurn: !directed }];
	});
}

type Cut = Pick<Blank, "widthMm" | "heightMm" | "yields" | "finish" | "nest">;

function scored(shape: CutShape): Cut {
	const finish = FINISHES[shape.kind] ?? "none";
	const more = finish === "round" || finish === "outline" ? 2 * GRIND_MM : 0;
	const [widthMm, heightMm] = boxOf(shape);
	return { widthMm: widthMm + more, heightMm: heightMm + more, yields: finish === "diagonal" ? 2 : 1, finish };
}

const FINISHES: Partial<Record<string, Finish>> = {
	triangle: "diagonal",
	circle: "round",
	ring: "round",
	polygon: "outline",
	outline: "outline",
};

/** Outlines laid into each other; as they lie in the plan that is cut by, whatever was added since. Undefined for what is straight or round. */
function sawn(key: string, shape: CutShape, wanted: number, directed: boolean, by: CutBy): Cut | undefined {
	const finish = FINISHES[shape.kind];
	if (finish !== "diagonal" && finish !== "outline") return undefined;
	const before = by.known?.find((one) => one.key === key);
	if (before?.nest) {
		const { widthMm, heightMm, yields, nest } = before;
		return { widthMm, heightMm, yields, finish: "nest", nest };
	}
	if (before || wanted === 0) return undefined;
	const found = nested(shape, wanted, directed, by);
	return found && { ...found, yields: found.nest.places.length, finish: "nest" };
}

const KEPT = 48;
/** What was found for an outline, the newest last: a list is looked at again whenever something of it is counted. */
const foundBefore = new Map<string, NestedBlank | undefined>();

function nested(shape: CutShape, wanted: number, directed: boolean, { rules, sheet }: CutBy): NestedBlank | undefined {
	const [outline] = regionOfShape(shape);
	if (!outline) return undefined;
	const key = JSON.stringify([outline, wanted, directed, rules.kerfMm, sheet]);
	if (foundBefore.has(key)) return foundBefore.get(key);
	const found = nestOf(outline, { kerfMm: rules.kerfMm, grindMm: GRIND_MM, mayTurn: !directed }, wanted, sheet);
	for (const old of [...foundBefore.keys()].slice(0, Math.max(0, foundBefore.size + 1 - KEPT))) foundBefore.delete(old);
	foundBefore.set(key, found);
	return found;
}
