import { DENSITY_G_PER_MM3 } from "../glass/constants";
import type { AsMade } from "./events";

/** By weight where it was weighed, else half way between thickest and thinnest. */
export function meanThicknessMm(made: Omit<AsMade, "changed">): number {
	if (made.massG !== null) {
		const byMass = made.massG / DENSITY_G_PER_MM3 / (made.widthMm * made.heightMm);
		return Math.min(made.thickestMm, Math.max(made.thinnestMm * 0.5, byMass));
	}
	return (made.thickestMm + made.thinnestMm) / 2;
}
