import { boxOf } from "./lay-problems";
import type { Uneven } from "./outlines/to-middle";
import type { PlacedPiece } from "./placement";
import type { Shelf } from "./shelf";

/** Free strip between the halves of two families: nothing that moves in the heat crosses it, mm. Common practice, no source. */
export const BETWEEN_MM = 20;

/** A piece that is not on its family's half. */
export interface HalfProblem {
	kind: "half";
	id: string;
}

/** Where the pieces of one of two families do not lie: the other half and the strip between. @param half 0 on the left, 1 on the right */
export function otherHalf({ widthMm, heightMm }: Shelf, half: number): Uneven {
	const width = widthMm / 2 + BETWEEN_MM / 2;
	return { xMm: half === 0 ? widthMm - width : 0, yMm: 0, widthMm: width, heightMm, offsetK: 0 };
}

/** @param halfOf on which half a piece belongs */
export const halfProblems = (
	all: readonly PlacedPiece[],
	{ widthMm }: Pick<Shelf, "widthMm">,
	halfOf: (id: string) => number,
): HalfProblem[] =>
	all
		.filter((one) => {
			const { minX, maxX } = boxOf(one);
			return halfOf(one.id) === 0 ? maxX > (widthMm - BETWEEN_MM) / 2 : minX < (widthMm + BETWEEN_MM) / 2;
		})
		.map(({ id }) => ({ kind: "half", id }));
