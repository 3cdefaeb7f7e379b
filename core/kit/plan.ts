import { boundsOf } from "../geometry/bounds";
import { alongPath, areaMm2, offset, type Region, type Ring } from "../geometry/region";
import { boxOf, type CutShape, centred, placeRing, regionOfShape } from "../geometry/shape";
import type { Glass } from "../glass/glass";
import type { KitDesign, KitPart, PartOf } from "./kit";

/** What a part covers with the middle of its box at the origin, before it is turned. A loop's origin is its eye. */
export function ownRegion(part: KitPart, design: Pick<KitDesign, "components">, glass?: Glass): Region {
	switch (part.kind) {
		case "thread":
			return alongPath(centred(part.points), widthOf(glass));
		case "lump":
			return regionOfShape({ kind: "circle", diameterMm: part.diameterMm });
		case "loop":
			return [
				...regionOfShape({ kind: "ring", diameterMm: part.eyeMm + 2 * part.wireMm, holeMm: part.eyeMm }),
				tail(part.eyeMm, part.wireMm, part.tailMm),
			];
		case "component": {
			const component = design.components.find(({ id }) => id === part.componentId);
			return (component?.parts ?? []).flatMap((inner) => placedRegion(inner, design, glass));
		}
		case "sheet":
			return isOnEdge(part)
				? regionOfShape({
						kind: "rectangle",
						widthMm: Math.max(...boxOf(part.shape)),
						heightMm: glass?.thicknessMm ?? 3,
					})
				: regionOfShape(part.shape);
		case "dam":
			return wallRegion(part);
		default:
			return regionOfShape(part.shape);
	}
}

const STANDING: readonly CutShape["kind"][] = ["strip", "rectangle", "square"];

/** Only what has two straight sides stands on one of them. */
export const canStand = ({ kind }: CutShape): boolean => STANDING.includes(kind);

export const isOnEdge = ({ onEdge, shape }: PartOf<"sheet">): boolean => onEdge === true && canStand(shape);

/** What a wall stands on: round its opening where it has a thickness, else its shape itself. */
function wallRegion({ shape, wallMm = 0 }: PartOf<"dam">): Region {
	const inner = regionOfShape(shape);
	if (wallMm <= 0 || shape.kind === "ring") return inner;
	return [...offset(inner, wallMm, WALL_ARC_MM), ...inner.map((ring) => [...ring].reverse())];
}

/** What a wall stands round; empty for one without a hole. */
export const insideOf = (wall: Region): Region =>
	wall.filter((ring) => areaMm2([ring]) < 0).map((ring) => [...ring].reverse());

const WALL_ARC_MM = 0.05;

/** What a part covers where it lies, mm. */
export const placedRegion = (part: KitPart, design: Pick<KitDesign, "components">, glass?: Glass): Region =>
	placeRegion(ownRegion(part, design, glass), part);

export const placeRegion = (region: Region, part: Pick<KitPart, "xMm" | "yMm" | "turnDeg">): Region =>
	region.map((ring) => placeRing(ring, { x: part.xMm, y: part.yMm }, part.turnDeg));

/** Width of a thread (mm) where its glass says none. */
const USUAL_THREAD_MM = 1;
const widthOf = (glass: Glass | undefined): number => glass?.widthMm ?? glass?.thicknessMm ?? USUAL_THREAD_MM;

const tail = (eyeMm: number, wireMm: number, tailMm: number): Ring => {
	const top = -eyeMm / 2 - wireMm / 2;
	return [
		{ x: -wireMm, y: top - tailMm },
		{ x: wireMm, y: top - tailMm },
		{ x: wireMm, y: top },
		{ x: -wireMm, y: top },
	];
};

/** Width and height of a part's own box, mm. */
export function partBox(part: KitPart, design: Pick<KitDesign, "components">, glass?: Glass): [number, number] {
	const { widthMm, heightMm } = boundsOf(ownRegion(part, design, glass));
	return [widthMm, heightMm];
}
