import { gramsForWater } from "../kit/fill";

/** White glue thinned for laying parts: eight parts of glue to two of water. Common practice, no source. */
export const thinnedGlue = (wantedMl: number): { glueMl: number; waterMl: number } => ({
	glueMl: Math.round(wantedMl * 8) / 10,
	waterMl: Math.round(wantedMl * 2) / 10,
});

/**
 * Glass that fills a mould, g: its volume times 2.5 g/cm³ (soda-lime glass), and a little that spills.
 * @param spill 0 to 0.05. Common practice, no source.
 */
export const fillMassG = (volumeCm3: number, spill = 0): number =>
	Math.round(gramsForWater(volumeCm3) * (1 + spill) * 10) / 10;
