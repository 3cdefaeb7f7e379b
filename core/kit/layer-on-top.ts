import { apart, boundsOf } from "../geometry/bounds";
import { areaMm2, intersect } from "../geometry/region";
import type { Glass } from "../glass/glass";
import type { KitDesign, KitPart } from "./kit";
import { placedRegion } from "./plan";

/** What lies on each other by less is side by side, mm². */
const SLIVER_MM2 = 0.5;

/** The layer a part comes to lie on where it is laid: over everything it covers some of, on the shelf (0) where that is nothing. */
export const layerOnTop = (
	part: KitPart,
	parts: readonly KitPart[],
	design: Pick<KitDesign, "components">,
	glasses: readonly Glass[],
): number => Math.max(-1, ...coveredBy(part, parts, design, glasses).map(({ layer }) => layer)) + 1;

/**
 * Parts that are laid out together, on others: where one of them would lie in another's place on its own layer, all of them go up
 * until none does.
 */
export function landed(
	laid: readonly KitPart[],
	parts: readonly KitPart[],
	design: Pick<KitDesign, "components">,
	glasses: readonly Glass[],
): KitPart[] {
	const up = laid.map((part) => {
		const under = coveredBy(part, parts, design, glasses);
		if (under.every(({ layer }) => layer !== part.layer)) return 0;
		return Math.max(...under.map(({ layer }) => layer)) + 1 - part.layer;
	});
	const by = Math.max(0, ...up);
	return laid.map((part) => (by === 0 ? part : { ...part, layer: part.layer + by }));
}

/** The parts that one covers some of. A wall stands round things, not under them. */
function coveredBy(
	part: KitPart,
	parts: readonly KitPart[],
	{ components }: Pick<KitDesign, "components">,
	glasses: readonly Glass[],
): KitPart[] {
	const regionOf = (one: KitPart) =>
		placedRegion(
			one,
			{ components },
			glasses.find(({ id }) => "glassId" in one && id === one.glassId),
		);
	const own = regionOf(part);
	const box = boundsOf(own);
	return parts.filter((other) => {
		if (other.id === part.id || other.kind === "dam") return false;
		const region = regionOf(other);
		return !apart(boundsOf(region), box) && areaMm2(intersect(region, own)) > SLIVER_MM2;
	});
}
