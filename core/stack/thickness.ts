import { areaMm2, boundsOf, intersect, type Region, subtract } from "../geometry/region";
import { type KitPart, partOutline } from "./kit";

/** A patch of the plan whose column of glass is everywhere the same; parts from the shelf up. */
export interface Column {
	region: Region;
	areaMm2: number;
	parts: KitPart[];
}

/** Slivers below this are rounding of the overlay, not glass. */
const LEAST_AREA_MM2 = 0.05;

/** Exact overlay of all parts, bottom layer first: every patch of the plan with what lies there. */
export function columnsOf(parts: readonly KitPart[]): Column[] {
	let columns: Column[] = [];
	for (const part of [...parts].sort((a, b) => a.layer - b.layer)) {
		const outline: Region = [partOutline(part)];
		const box = boundsOf(outline);
		let bare = outline;
		const next: Column[] = [];
		for (const column of columns) {
			if (apart(boundsOf(column.region), box)) {
				next.push(column);
				continue;
			}
			bare = subtract(bare, column.region);
			keep(next, intersect(column.region, outline), [...column.parts, part]);
			keep(next, subtract(column.region, outline), column.parts);
		}
		keep(next, bare, [part]);
		columns = next;
	}
	return columns;
}

function keep(columns: Column[], region: Region, parts: KitPart[]): void {
	const area = areaMm2(region);
	if (area >= LEAST_AREA_MM2) columns.push({ region, areaMm2: area, parts });
}

type Box = ReturnType<typeof boundsOf>;

export const apart = (a: Box, b: Box, byMm = 0): boolean =>
	a.minX > b.maxX + byMm || b.minX > a.maxX + byMm || a.minY > b.maxY + byMm || b.minY > a.maxY + byMm;
