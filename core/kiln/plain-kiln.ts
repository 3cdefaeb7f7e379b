import { DEFAULT_KILN, type KilnBody } from "./kiln";
import type { DoorSide, ShelfShape } from "./record";

/** A kiln by what stands on its plate and can be measured with a rule. mm, W */
export interface PlainKiln {
	doorSide: DoorSide;
	shelfShape: ShelfShape;
	shelfWidthMm: number;
	shelfHeightMm: number;
	clearHeightMm: number;
	powerW: number;
}

/** Usual kilns of a glass room, smallest first. Common practice, no source. */
export const PLAIN_KILNS = ["tabletop", "lid", "octagon", "front"] as const;
export type PlainKilnKind = (typeof PLAIN_KILNS)[number];

export const PLAIN_KILN: Record<PlainKilnKind, PlainKiln> = {
	tabletop: {
		doorSide: "top",
		shelfShape: "rectangle",
		shelfWidthMm: 200,
		shelfHeightMm: 200,
		clearHeightMm: 100,
		powerW: 1700,
	},
	lid: {
		doorSide: "top",
		shelfShape: "rectangle",
		shelfWidthMm: 500,
		shelfHeightMm: 400,
		clearHeightMm: 180,
		powerW: 5000,
	},
	octagon: {
		doorSide: "top",
		shelfShape: "octagon",
		shelfWidthMm: 430,
		shelfHeightMm: 430,
		clearHeightMm: 220,
		powerW: 4800,
	},
	front: {
		doorSide: "front",
		shelfShape: "rectangle",
		shelfWidthMm: 380,
		shelfHeightMm: 380,
		clearHeightMm: 200,
		powerW: 3600,
	},
};

/** The middling kiln is about so large inside, mm. */
const MIDDLING = { widthMm: 500, heightMm: 400, clearMm: 180 };
/** Bricks around the shelf, each side, mm: the hot face is that much larger than the shelf. From memory. */
const BRICK_MM = 60;

const surfaceMm2 = (w: number, d: number, h: number): number => 2 * (w * d + w * h + d * h);

/**
 * How a kiln of that size heats and cools, to begin with: loss and heat capacity in proportion to the hot face's surface, power as
 * on its plate. An estimate until the studio has learned it from a log.
 */
export function bodyOf({ shelfWidthMm, shelfHeightMm, clearHeightMm, powerW }: PlainKiln): KilnBody {
	const around = 2 * BRICK_MM;
	const share =
		surfaceMm2(shelfWidthMm + around, shelfHeightMm + around, clearHeightMm + around) /
		surfaceMm2(MIDDLING.widthMm + around, MIDDLING.heightMm + around, MIDDLING.clearMm + around);
	return {
		powerW,
		lossWPerK: Number((DEFAULT_KILN.lossWPerK * share).toFixed(2)),
		capacityJPerK: Math.round(DEFAULT_KILN.capacityJPerK * share),
		roomC: DEFAULT_KILN.roomC,
	};
}
