import { boundsOf } from "../geometry/bounds";
import type { Glass } from "../glass/glass";
import { tidyMm } from "../units/tidy";
import type { NewId } from "./arrange";
import { glassIdOf, type KitDesign } from "./kit";
import { placedRegion } from "./plan";
import { withFiringBefore } from "./route";

/**
 * The kit with some of its parts made a component: fired by themselves in the firing before the one they were laid for,
 * and used as one part in their place. A kit that has no firing before gets one.
 * @returns the kit and the id of the part that stands for them
 */
export function makeComponent(
	design: KitDesign,
	chosenIds: readonly string[],
	glasses: ReadonlyMap<string, Glass>,
	newId: NewId,
): { design: KitDesign; partId: string } {
	const isChosen = ({ id }: { id: string }) => chosenIds.includes(id);
	const first = Math.min(...design.parts.filter(isChosen).map(({ firing }) => firing));
	const kit = first === 0 ? withFiringBefore(design) : design;
	const chosen = kit.parts.filter(isChosen);
	const laidFor = Math.max(first, 1);
	const box = boundsOf(chosen.flatMap((part) => placedRegion(part, kit, glasses.get(glassIdOf(part) ?? ""))));
	const [x, y] = [tidyMm((box.minX + box.maxX) / 2), tidyMm((box.minY + box.maxY) / 2)];
	const low = Math.min(...chosen.map(({ layer }) => layer));
	const name = chosen[0]?.name ?? "Component";
	const [componentId, partId] = [newId(), newId()];
	const parts = chosen.map((part) => ({
		...part,
		firing: 0,
		layer: part.layer - low,
		xMm: tidyMm(part.xMm - x),
		yMm: tidyMm(part.yMm - y),
	}));
	return {
		partId,
		design: {
			...kit,
			components: [...kit.components, { id: componentId, name, firing: laidFor - 1, parts }],
			parts: [
				...kit.parts.filter((part) => !isChosen(part)),
				{ id: partId, name, kind: "component", componentId, layer: low, firing: laidFor, xMm: x, yMm: y, turnDeg: 0 },
			],
		},
	};
}
