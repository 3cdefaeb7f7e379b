import { keepsSurface } from "../firing/level";
import { areaMm2, offset, type Region, subtract } from "../geometry/region";
import { placeRing, regionOfShape } from "../geometry/shape";
import type { PartOf, RouteStep } from "../kit/kit";
import type { Mould } from "../kit/mould";
import { insideOf } from "../kit/plan";
import type { Lain } from "./lay";

/** Something that holds glass in at its edge: a wall, with an opening or beside it, or a mould to cast in. Lengths mm. */
export interface Wall {
	/** The wall’s part; none for a mould. */
	dam: (Lain & { part: PartOf<"dam"> }) | undefined;
	mould: Mould | undefined;
	/** What glass may fill, its lining taken off; empty where it encloses nothing. */
	opening: Region;
	highMm: number;
}

const isDam = (lain: Lain): lain is Lain & { part: PartOf<"dam"> } => lain.part.kind === "dam";

/** Everything that holds glass in at its edge in one firing: walls, and the mould that it is cast in. */
export function wallsOf(lain: readonly Lain[], mould: Mould | undefined): Wall[] {
	const walls = lain
		.filter(isDam)
		.map((dam): Wall => ({ dam, mould: undefined, opening: openingOf(dam), highMm: dam.bulkMm }));
	const form = mould?.kind === "ring" ? castingForm(lain, mould) : undefined;
	return form ? [...walls, form] : walls;
}

/** The inside of a wall less its lining; empty for one that encloses nothing. */
function openingOf({ region, part }: Lain & { part: PartOf<"dam"> }): Region {
	const inside = insideOf(region);
	const { liningMm = 0 } = part;
	return liningMm > 0 ? offset(inside, -liningMm) : inside;
}

/** A mould to cast in has its opening round the middle of the glass. */
function castingForm(lain: readonly Lain[], mould: Mould): Wall | undefined {
	const boxes = lain.filter(({ glassMm }) => glassMm > 0).map(({ box }) => box);
	if (boxes.length === 0) return undefined;
	const middle = {
		x: (Math.min(...boxes.map(({ minX }) => minX)) + Math.max(...boxes.map(({ maxX }) => maxX))) / 2,
		y: (Math.min(...boxes.map(({ minY }) => minY)) + Math.max(...boxes.map(({ maxY }) => maxY))) / 2,
	};
	const { opening, widthMm, heightMm, depthMm } = mould;
	const shape =
		opening === "round"
			? ({ kind: "circle", diameterMm: Math.max(widthMm, heightMm) } as const)
			: ({ kind: "rectangle", widthMm, heightMm } as const);
	const region = regionOfShape(shape).map((ring) => placeRing(ring, middle, 0));
	return { dam: undefined, mould, opening: region, highMm: depthMm };
}

/** Does it stand in a firing? A piece that is slumped, draped or polished was taken out of it. */
export const standsIn = ({ level, mouldId }: RouteStep): boolean => !keepsSurface(level) && mouldId === undefined;

/** Does a wall hold all of some parts in? */
export const isHeldBy = ({ opening }: Wall, parts: readonly Pick<Lain, "region">[]): boolean =>
	opening.length > 0 && parts.every(({ region }) => areaMm2(subtract(region, opening)) < 1);
