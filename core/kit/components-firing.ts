import { boundsOf } from "../geometry/bounds";
import type { Glass } from "../glass/glass";
import type { Component, KitDesign, KitPart } from "./kit";
import { placedRegion } from "./plan";

/** Room between components that are fired side by side, mm. Common practice, no source. */
const ROOM_MM = 10;

/**
 * What lies on the shelf in a firing that makes components: one of each, named with how many are used, side by side, each meant to come out by itself, beside
 * what of the piece is laid by then.
 */
export function componentsFiring(design: KitDesign, firing: number, glasses: ReadonlyMap<string, Glass>): KitPart[] {
	const made = design.components.filter((component) => component.firing === firing && component.parts.length > 0);
	const laid = design.parts.filter((part) => part.firing <= firing);
	const boxOf = (parts: readonly KitPart[]) =>
		boundsOf(
			parts.flatMap((part) => placedRegion(part, design, "glassId" in part ? glasses.get(part.glassId) : undefined)),
		);
	let left = laid.length > 0 ? boxOf(laid).maxX + ROOM_MM : 0;
	const beside = made.flatMap(({ id, name, parts }: Component): KitPart[] => {
		const used = design.parts.filter((part) => part.kind === "component" && part.componentId === id).length;
		const box = boxOf(parts);
		const byX = left - box.minX;
		const byY = -(box.minY + box.maxY) / 2;
		left += box.widthMm + ROOM_MM;
		return parts.map((part) => ({
			...part,
			id: `${id} ${part.id}`,
			name: `${used} × ${name}`,
			firing,
			loose: true,
			xMm: part.xMm + byX,
			yMm: part.yMm + byY,
		}));
	});
	return [...laid, ...beside];
}
