import { FRIT_GRADES, type Glass, inUse } from "../../glass/glass";
import type { GlassBook } from "../lay";

/** Clear crushed glass of the same family without chemistry, the finest there is; undefined where there is none. */
export function neutralPowder({ glasses }: GlassBook, besideId: string): Glass | undefined {
	const familyId = glasses.get(besideId)?.familyId;
	return inUse([...glasses.values()])
		.filter((glass) => glass.familyId === familyId && glass.form === "frit" && isNeutral(glass))
		.sort((x, y) => FRIT_GRADES.indexOf(x.grade ?? "coarse") - FRIT_GRADES.indexOf(y.grade ?? "coarse"))[0];
}

const isNeutral = ({ opacity, coating, chemistry }: Glass): boolean =>
	opacity === "clear" && coating === "none" && chemistry.length === 0;

/** Clear sheet of the same family without coating or chemistry, the thinnest there is; undefined where there is none. */
export function neutralGlass({ glasses }: GlassBook, besideId: string): Glass | undefined {
	const familyId = glasses.get(besideId)?.familyId;
	return inUse([...glasses.values()])
		.filter((glass) => glass.familyId === familyId && glass.form === "sheet" && isNeutral(glass))
		.sort((x, y) => x.thicknessMm - y.thicknessMm)[0];
}
