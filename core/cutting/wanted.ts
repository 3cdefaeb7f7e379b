import { type DotGlasses, isDot } from "../kit/dot-glasses";
import { firedParts } from "../kit/fired-parts";
import type { KitDesign } from "../kit/kit";
import { forKits, type WantedPart } from "./count";

/**
 * Everything that is cut and weighed out for so many kits of one design: their own parts, and what is cut for the parts that are fired
 * first, as many of these as do not lie in the drawer.
 * @param fromDrawer fired parts that come from the drawer, for all kits together, by what they are made of
 */
export function wantedFor(
	design: Kit,
	kits: number,
	glasses: DotGlasses,
	fromDrawer: Readonly<Record<string, number>> = {},
): WantedPart[] {
	const own = design.parts.filter((part) => part.kind !== "component" && !isDot(part, glasses));
	const fired = firedParts(design, glasses).flatMap(({ madeOf, perKit, parts }) =>
		parts.map((part) => ({ part, perKit, needed: Math.max(0, perKit * kits - (fromDrawer[madeOf] ?? 0)) })),
	);
	return [...forKits(own, kits), ...fired.filter(({ needed }) => needed > 0)];
}

type Kit = Pick<KitDesign, "parts" | "components" | "route">;
