import type { PieceToFire } from "../firing/demand";
import type { FuseLevel } from "../firing/level";

/** Dots round at full fuse and no lower. Common practice, no source. */
const LOT_LEVEL = "full";
/** A strain test: a strip of the unknown glass across a piece of the known one, so long, mm. Common practice, no source. */
export const STRAIN_TEST = { name: "strain test", sizeMm: 60 } as const;
/** Kept free round each part of a lot, mm. Common practice, no source: they would touch and join. */
const ROOM_MM = 5;
/** A dot of two singles that rounded, mm. Common practice, no source. */
const DOT_THICK_MM = 6;

/** Shelf that so many parts take, mm², each with its room. @param sizeMm across one of them; null: a hand's breadth of bigger parts */
export const lotRoomMm2 = (count: number, sizeMm: number | null): number => count * ((sizeMm ?? 40) + ROOM_MM) ** 2;

/** What a lot of dots asks of a schedule: a dot as wide as it is, no higher than two singles. */
export const lotToFire = (name: string, sizeMm: number | null, level: FuseLevel = LOT_LEVEL): PieceToFire => ({
	id: name,
	level,
	thickestMm: DOT_THICK_MM,
	effectiveMm: DOT_THICK_MM,
	acrossMm: sizeMm ?? 40,
	fired: false,
	blackBesideWhite: false,
	multiLevel: false,
	trappedSpanMm: 0,
});
