import { apart, type Bounds, boundsOf } from "../geometry/bounds";
import { convexCovers } from "../geometry/convex";
import { isSliver } from "../geometry/is-sliver";
import { areaMm2, intersect, type Region, subtract } from "../geometry/region";

/** Something flat that lies on a layer. */
export interface Covering {
	layer: number;
	region: Region;
	box: Bounds;
	areaMm2: number;
	convex: boolean;
}

/** A patch of the plan on which everywhere the same lies; parts from the shelf up. */
export interface Column<P extends Covering> {
	region: Region;
	box: Bounds;
	areaMm2: number;
	parts: P[];
}

/** Slivers below this are rounding of the overlay, not glass. */
const LEAST_AREA_MM2 = 0.05;
/** What laps over its neighbour by less lies beside it: sizes in inches, or dragged, are rounded. Common practice, no source. */
const LEAST_LAP_MM = 0.2;

/**
 * Exact overlay of all parts: every patch of the plan with what lies there. The smallest parts come first, so that a base
 * under a hundred tiles is cut once and not a hundred times.
 */
export function columnsOf<P extends Covering>(parts: readonly P[]): Column<P>[] {
	let columns: Column<P>[] = [];
	for (const part of [...parts].sort((a, b) => a.areaMm2 - b.areaMm2)) {
		const next: Column<P>[] = [];
		const over: Region[] = [];
		for (const column of columns) {
			if (apart(column.box, part.box)) {
				next.push(column);
				continue;
			}
			const shared = sharedBy(column, part);
			if (shared !== "nothing") over.push(column.region);
			if (shared === "nothing" || shared === "sliver") {
				next.push(column);
				continue;
			}
			keep(next, shared.region, [...column.parts, part]);
			if (!shared.isAll) keep(next, subtract(column.region, part.region), column.parts);
		}
		keep(next, over.length === 0 ? part.region : subtract(part.region, over.flat()), [part]);
		columns = next;
	}
	for (const column of columns) column.parts.sort((a, b) => a.layer - b.layer);
	return columns;
}

/** What a part takes of a column: all of it, a patch, or what no hand could lay, which stays the column's alone. */
function sharedBy(column: Column<Covering>, part: Covering): { region: Region; isAll: boolean } | "sliver" | "nothing" {
	if (part.convex && convexCovers(part.region[0] ?? [], column.region)) return { region: column.region, isAll: true };
	const region = intersect(column.region, part.region);
	if (areaMm2(region) < LEAST_AREA_MM2) return "nothing";
	return isSliver(region, LEAST_LAP_MM) ? "sliver" : { region, isAll: false };
}

function keep<P extends Covering>(columns: Column<P>[], region: Region, parts: P[]): void {
	const area = areaMm2(region);
	if (area >= LEAST_AREA_MM2) columns.push({ region, box: boundsOf(region), areaMm2: area, parts });
}
