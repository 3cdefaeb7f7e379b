import type { Figure } from "@core/units/phrase";

/** "40 × 30 mm": the unit once, at the end. */
export const sizeWords = (sizesMm: readonly number[], figure: (figure: Figure) => string, between = " × "): string =>
	sizesMm
		.map((mm, i) => (i < sizesMm.length - 1 ? figure({ mm }).replace(/ [a-z]+$/, "") : figure({ mm })))
		.join(between);
