import { boundsOf } from "./bounds";
import { areaMm2, intersect, type Region, type Ring } from "./region";

/** A region (mm) as outlines without holes: one with holes is cut upright through the middle of each. Slivers are left out. */
export function simpleParts(region: Region, leastMm2 = 1): Ring[] {
	const holes = region.filter((ring) => areaMm2([ring]) < 0);
	if (holes.length === 0) return region.filter((ring) => areaMm2([ring]) >= leastMm2);
	const { minX, maxX, minY, maxY } = boundsOf(region);
	const cuts = holes.map((hole) => boundsOf([hole])).map((box) => (box.minX + box.maxX) / 2);
	const edges = [minX, ...[...new Set(cuts)].sort((a, b) => a - b), maxX];
	return edges.slice(1).flatMap((right, i) => {
		const left = edges[i] as number;
		const slab = [
			{ x: left, y: minY },
			{ x: right, y: minY },
			{ x: right, y: maxY },
			{ x: left, y: maxY },
		];
		return intersect(region, [slab]).filter((ring) => areaMm2([ring]) >= leastMm2);
	});
}
