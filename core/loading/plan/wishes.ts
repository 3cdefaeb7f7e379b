/** What a plan is wished to do, in the order in which it usually counts. */
export const WISHES = ["promises", "together", "firings", "gentle", "soon"] as const;
export type Wish = (typeof WISHES)[number];

/** How much a wish counts with a studio. */
export const WISH_STEPS = ["less", "usual", "more"] as const;
export type WishStep = (typeof WISH_STEPS)[number];
export type PlanWishes = Record<Wish, WishStep>;

export const USUAL_WISHES: PlanWishes = {
	promises: "usual",
	together: "usual",
	firings: "usual",
	gentle: "usual",
	soon: "usual",
};

/** A step is worth so much: as far apart as the three plans are from each other. Common practice, no source. */
export const STEP_FACTOR: Record<WishStep, number> = { less: 1 / 3, usual: 1, more: 3 };
