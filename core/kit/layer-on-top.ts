import { apart, areaMm2, boundsOf, intersect } from "../geometry/region";
import type { Glass } from "../glass/glass";
import type { KitDesign, KitPart } from "./kit";
import { placedRegion } from "./plan";

/** What lies on each other by less is side by side, mm². */
const SLIVER_MM2 = 0.5;

/** The layer a part comes to lie on where it is laid: over everything it covers some of, on the shelf (0) where that is nothing. */
export function layerOnTop(
	part: KitPart,
	parts: readonly KitPart[],
	{ components }: Pick<KitDesign, "components">,
	glasses: readonly Glass[],
): number {
	const regionOf = (one: KitPart) =>
		placedRegion(
			one,
			{ components },
			glasses.find(({ id }) => "glassId" in one && id === one.glassId),
		);
	const own = regionOf(part);
	const box = boundsOf(own);
	const under = parts.filter((other) => {
		if (other.id === part.id || other.kind === "dam") return false;
		const region = regionOf(other);
		return !apart(boundsOf(region), box) && areaMm2(intersect(region, own)) > SLIVER_MM2;
	});
	return Math.max(-1, ...under.map(({ layer }) => layer)) + 1;
}
