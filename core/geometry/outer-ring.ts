import { hullOf } from "./hull";
import { areaMm2, type Region, type Ring, unite } from "./region";
import { centred } from "./shape";
import { simpler } from "./simpler";

/** A kept outline has no more corners than about this. */
const MOST_CORNERS = 60;
/** Coarser and coarser until it has few enough, mm. */
const COARSENESS_MM = [0.3, 0.6, 1.2, 2.4];

/**
 * The outline that takes room on a shelf, counter-clockwise round the middle of its box, mm: the outer edge of all that is laid;
 * where it falls into several bodies, the hull round them. Few corners, and none of the glass outside.
 */
export function outerRing(regions: readonly Region[]): Ring {
	const rings = unite(regions).filter((ring) => areaMm2([ring]) > 0);
	if (rings.length === 0) return [];
	const outer = rings.length === 1 ? (rings[0] as Ring) : hullOf(rings.flat());
	const found = COARSENESS_MM.map((mm) => simpler(outer, mm)).find(({ length }) => length <= MOST_CORNERS);
	return centred(found ?? simpler(hullOf(outer), COARSENESS_MM.at(-1))).map(({ x, y }) => ({
		x: tenth(x),
		y: tenth(y),
	}));
}

const tenth = (mm: number): number => Math.round(mm * 10) / 10;
