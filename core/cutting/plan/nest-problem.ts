import { apart, boundsOf } from "../../geometry/bounds";
import { areaMm2, intersect, offset, type Ring } from "../../geometry/region";
import { type CutShape, regionOfShape } from "../../geometry/shape";
import { laidOutline } from "./nest";
import type { Blank } from "./types";

const EPS_MM = 0.05;
/** Two outlines may share so much of a blade's way, mm²: they are kept as polygons with chords. */
const EPS_MM2 = 0.5;

/** What is wrong with outlines that are nested in a blank, in a sentence; undefined where a blade passes between all of them. */
export function nestProblem(
	{ nest, widthMm, heightMm, yields }: Blank,
	shape: CutShape,
	kerfMm: number,
): string | undefined {
	if (!nest) return undefined;
	if (!isSame(nest.outline, regionOfShape(shape)[0] ?? [])) return "an outline is not that of its part.";
	if (nest.places.length !== yields) return "a blank does not hold as many outlines as it yields.";
	const laid = nest.places.map((place) => [laidOutline(nest, place)]);
	for (const one of laid) {
		const { minX, minY, maxX, maxY } = boundsOf(one);
		if (minX < -EPS_MM || minY < -EPS_MM || maxX > widthMm + EPS_MM || maxY > heightMm + EPS_MM)
			return "an outline is over the edge of its blank.";
	}
	const grown = laid.map((one) => offset(one, kerfMm / 2 - EPS_MM));
	const meet = grown.some((a, i) =>
		grown.slice(i + 1).some((b) => !apart(boundsOf(a), boundsOf(b)) && Math.abs(areaMm2(intersect(a, b))) > EPS_MM2),
	);
	return meet ? "the blade does not pass between two outlines." : undefined;
}

const isSame = (a: Ring, b: Ring): boolean =>
	a.length === b.length && a.every(({ x, y }, i) => Math.hypot(x - (b[i]?.x ?? 1e9), y - (b[i]?.y ?? 1e9)) < 1e-6);
