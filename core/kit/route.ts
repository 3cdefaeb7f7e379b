import type { KitDesign } from "./kit";

/** The kit with one more firing before all others; what was laid for the first is now laid for the second. */
export const withFiringBefore = (design: KitDesign): KitDesign => ({
	...design,
	route: [{ level: "full", handWork: "" }, ...design.route],
	parts: design.parts.map((part) => ({ ...part, firing: part.firing + 1 })),
	components: design.components.map((one) => ({ ...one, firing: one.firing + 1 })),
});

/**
 * The kit without one firing of its route: what was laid for a later one moves up, what was laid for the last one goes into
 * the firing before. Undefined where the firing makes components, or is the only one, or the only one before a component is laid.
 */
export function withoutFiring(design: KitDesign, firing: number): KitDesign | undefined {
	if (design.route.length < 2 || design.components.some((one) => one.firing === firing)) return undefined;
	const earlier = (was: number) =>
		was > firing || (was === firing && was === design.route.length - 1) ? was - 1 : was;
	const kit: KitDesign = {
		...design,
		route: design.route.filter((_, i) => i !== firing),
		parts: design.parts.map((part) => ({ ...part, firing: earlier(part.firing) })),
		components: design.components.map((one) => ({ ...one, firing: earlier(one.firing) })),
	};
	const sound = kit.parts.every((part) => {
		if (part.kind !== "component") return true;
		const made = kit.components.find(({ id }) => id === part.componentId);
		return made === undefined || made.firing < part.firing;
	});
	return sound ? kit : undefined;
}
