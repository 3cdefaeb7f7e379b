import type { KitDesign } from "../kit/kit";
import { routeStacks } from "./firing-stacks";
import type { GlassBook } from "./lay";
import { outlookOf, PACES, type PacedHours } from "./outlook";
import { stackOf } from "./stack";

/** Hours that all firings of a kit's route take, programme by programme, at every pace a studio may have. Empty without glass. */
export function kitHours(design: KitDesign, book: GlassBook): PacedHours[] {
	const stacks = routeStacks(stackOf(design, book)).filter(({ glass }) => glass.length > 0);
	if (stacks.length === 0) return [];
	const firings = stacks.map((stack) => outlookOf(stack));
	return PACES.map((pace, i) => ({
		...pace,
		hours: firings.reduce((total, { hours, hoursAt }) => total + (hoursAt[i]?.hours ?? hours), 0),
	}));
}
