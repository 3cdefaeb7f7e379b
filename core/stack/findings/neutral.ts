import type { Glass } from "../../glass/glass";
import type { GlassBook } from "../lay";

/** Clear sheet of the same family without coating or chemistry, the thinnest there is; undefined where there is none. */
export function neutralGlass({ glasses }: GlassBook, besideId: string): Glass | undefined {
	const familyId = glasses.get(besideId)?.familyId;
	return [...glasses.values()]
		.filter(
			(glass) =>
				glass.familyId === familyId &&
				glass.form === "sheet" &&
				glass.opacity === "clear" &&
				glass.coating === "none" &&
				glass.chemistry.length === 0,
		)
		.sort((x, y) => x.thicknessMm - y.thicknessMm)[0];
}
