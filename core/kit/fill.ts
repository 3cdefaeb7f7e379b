import { DENSITY_G_PER_MM3 } from "../glass/constants";

/** Glass (g) that fills an area (mm²) to a depth (mm) once it has melted. Density: textbook soda-lime, 2.5 g/cm³. */
export const gramsForDepth = (areaMm2: number, depthMm: number): number => areaMm2 * depthMm * DENSITY_G_PER_MM3;

/** How deep (mm) so much glass (g) lies over an area (mm²) once it has melted. */
export const depthForGrams = (areaMm2: number, grams: number): number =>
	areaMm2 > 0 ? grams / DENSITY_G_PER_MM3 / areaMm2 : 0;

const MM3_PER_G_OF_WATER = 1000;

/** Glass (g) that fills a mould which so much water (g) fills: a gram of water is a cubic centimetre. */
export const gramsForWater = (waterG: number): number => waterG * MM3_PER_G_OF_WATER * DENSITY_G_PER_MM3;
