import { boundsOf } from "../geometry/bounds";
import { areaMm2, type Region, type Ring, subtract, thinned, unite } from "../geometry/region";
import type { Glass } from "../glass/glass";
import { tidyMm } from "../units/tidy";
import type { NewId } from "./arrange";
import { glassIdOf, type KitDesign, type KitPart, type PartOf } from "./kit";
import { placedRegion } from "./plan";

/** Strewn glass has no finer edge, mm; smaller scraps are not strewn, mm². */
const EDGE_MM = 0.1;
const LEAST_MM2 = 2;

/**
 * The kit with strewn glass kept off what else is chosen: its largest strewn part gets holes, or falls into several.
 * @returns undefined where nothing strewn is chosen with something else, or nothing of it would be left
 */
export function leaveFree(
	design: KitDesign,
	chosenIds: readonly string[],
	glasses: ReadonlyMap<string, Glass>,
	newId: NewId,
): KitDesign | undefined {
	const regionOf = (part: KitPart) => placedRegion(part, design, glasses.get(glassIdOf(part) ?? ""));
	const chosen = design.parts.filter(({ id }) => chosenIds.includes(id));
	const strewn = chosen
		.filter((part) => part.kind === "grains")
		.sort((a, b) => areaMm2(regionOf(b)) - areaMm2(regionOf(a)))[0];
	const others = chosen.filter((part) => part !== strewn);
	if (!strewn || others.length === 0) return undefined;
	const left = pieces(subtract(regionOf(strewn), unite(others.map(regionOf))));
	if (left.length === 0) return undefined;
	const parts = left.map((piece, i) => ({ ...strewn, ...outlined(piece), id: i === 0 ? strewn.id : newId() }));
	return { ...design, parts: design.parts.flatMap((part): KitPart[] => (part === strewn ? parts : [part])) };
}

interface Piece {
	outer: Ring;
	holes: Ring[];
}

/** Outlines with the holes that lie in each. */
function pieces(region: Region): Piece[] {
	const outer = region.filter((ring) => areaMm2([ring]) >= LEAST_MM2);
	const holes = region.filter((ring) => areaMm2([ring]) < 0);
	return outer.map((ring) => ({
		outer: ring,
		holes: holes.filter((hole) => areaMm2(subtract([[...hole].reverse()], [ring])) < EDGE_MM),
	}));
}

function outlined({ outer, holes }: Piece): Pick<PartOf<"grains">, "shape" | "xMm" | "yMm" | "turnDeg"> {
	const tidy = (ring: Ring) => thinned(ring, EDGE_MM).map(({ x, y }) => ({ x: tidyMm(x, 0.01), y: tidyMm(y, 0.01) }));
	const points = tidy(outer);
	const { minX, maxX, minY, maxY } = boundsOf([points]);
	return {
		shape: { kind: "outline", points, ...(holes.length > 0 && { holes: holes.map(tidy) }) },
		...{ xMm: tidyMm((minX + maxX) / 2, 0.01), yMm: tidyMm((minY + maxY) / 2, 0.01), turnDeg: 0 },
	};
}
