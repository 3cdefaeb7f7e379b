import { areaMm2, offset, perimeterMm, type Region } from "./region";

/** Is a region nowhere as wide as `mm`? By its mean width first: only what is narrow on the whole is shrunk to be sure. */
export const isSliver = (region: Region, mm: number): boolean =>
	2 * areaMm2(region) < mm * perimeterMm(region) && offset(region, -mm / 2).length === 0;
