import type { Case } from "./case";

export const SOAK_BELOW_K = 45;

const SOAK_ABOVE_K = 14;

export const annealHolds = ({ segments, family, peak }: Pick<Case, "segments" | "family" | "peak">) =>
	segments
		.map((segment, i) => ({ segment, i }))
		.filter(
			({ segment, i }) =>
				i > peak &&
				segment.holdMin > 0 &&
				segment.targetC >= family.annealingC - SOAK_BELOW_K &&
				segment.targetC <= family.annealingC + SOAK_ABOVE_K,
		);

export const isDots = ({ demand, document }: Case) =>
	demand.firstRampCPerH === "full" && document.schools.dots === "straightUp";
