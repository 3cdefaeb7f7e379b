import type { Place } from "./place";
import { shelvesUsed } from "./tiers";

/** Pieces whose middles are so near in depth lie in one row, mm. */
const ROW_MM = 40;

type Lying = Pick<Place, "id" | "xMm" | "yMm" | "shelf">;

/** The order in which a kiln is laid: its lowest shelf first, each from its far side to the near one, so that no hand reaches over glass; a row from the left. */
export const layingOrder = (places: readonly Lying[]): string[] =>
	Array.from({ length: shelvesUsed(places) }, (_, shelf) =>
		onShelf(places.filter((one) => one.shelf === shelf)),
	).flat();

function onShelf(places: readonly Lying[]): string[] {
	const left = [...places].sort((a, b) => b.yMm - a.yMm || a.xMm - b.xMm || a.id.localeCompare(b.id));
	const order: string[] = [];
	while (left.length > 0) {
		const far = left[0]?.yMm ?? 0;
		const row = left.filter(({ yMm }) => far - yMm <= ROW_MM).sort((a, b) => a.xMm - b.xMm || a.id.localeCompare(b.id));
		order.push(...row.map(({ id }) => id));
		for (const one of row) left.splice(left.indexOf(one), 1);
	}
	return order;
}
