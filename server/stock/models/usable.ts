import type { loadKilnOf } from "../../loads/models/plan-load";

export type Shelf = ReturnType<typeof loadKilnOf>["shelf"];

/** Shelf that is usable, mm². */
export const usableMm2 = ({ widthMm, heightMm, marginMm }: Shelf): number =>
	Math.max(0, widthMm - 2 * marginMm) * Math.max(0, heightMm - 2 * marginMm);
