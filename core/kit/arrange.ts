import { tidyMm } from "../units/tidy";
import type { KitPart } from "./kit";

/** How copies of parts are laid out. Lengths mm, angles degrees counter-clockwise. */
export type Arrangement =
	| { kind: "row"; count: number; stepMm: { x: number; y: number } }
	| { kind: "grid"; columns: number; rows: number; stepMm: { x: number; y: number } }
	/** Copies on a circle about a middle; each turned with its place. `fromDeg` shifts the first; half a step bridges a ring below. */
	| {
			kind: "ring";
			count: number;
			radiusMm: number;
			middle: { x: number; y: number };
			fromDeg: number;
			layersUp: number;
	  }
	| { kind: "mirror"; axis: "upright" | "level"; atMm: number };

/** Makes ids for copies. */
export type NewId = () => string;

/** The copies an arrangement adds to what is chosen; the originals stay (a ring moves them to its first place). */
export function arranged(chosen: readonly KitPart[], how: Arrangement, newId: NewId): KitPart[] {
	switch (how.kind) {
		case "row":
			return steps(how.count).flatMap((i) => moved(chosen, how.stepMm.x * i, how.stepMm.y * i, i === 0, newId));
		case "grid":
			return steps(how.rows).flatMap((row) =>
				steps(how.columns).flatMap((column) =>
					moved(chosen, how.stepMm.x * column, how.stepMm.y * row, row === 0 && column === 0, newId),
				),
			);
		case "ring":
			return ring(chosen, how, newId);
		case "mirror":
			return [...chosen, ...chosen.map((part) => mirrored(part, how, newId()))];
	}
}

const steps = (count: number) => Array.from({ length: Math.max(1, Math.floor(count)) }, (_, i) => i);

const moved = (parts: readonly KitPart[], dx: number, dy: number, original: boolean, newId: NewId): KitPart[] =>
	parts.map((part) => ({
		...part,
		id: original ? part.id : newId(),
		xMm: tidyMm(part.xMm + dx),
		yMm: tidyMm(part.yMm + dy),
	}));

function ring(chosen: readonly KitPart[], how: Extract<Arrangement, { kind: "ring" }>, newId: NewId): KitPart[] {
	const places = steps(how.count);
	return places.flatMap((i) => {
		const degrees = how.fromDeg + (360 * i) / places.length;
		const angle = (degrees * Math.PI) / 180;
		return chosen.map((part) => ({
			...part,
			id: i === 0 ? part.id : newId(),
			layer: part.layer + (how.layersUp > 0 ? i % (how.layersUp + 1) : 0),
			xMm: tidyMm(how.middle.x + how.radiusMm * Math.cos(angle)),
			yMm: tidyMm(how.middle.y + how.radiusMm * Math.sin(angle)),
			turnDeg: turn(part.turnDeg + degrees - 90),
		}));
	});
}

/** Mirrors a part's place and, as far as its shape has a hand, the part itself. */
function mirrored(part: KitPart, how: Extract<Arrangement, { kind: "mirror" }>, id: string): KitPart {
	const upright = how.axis === "upright";
	const placed = {
		...part,
		id,
		xMm: upright ? tidyMm(2 * how.atMm - part.xMm) : part.xMm,
		yMm: upright ? part.yMm : tidyMm(2 * how.atMm - part.yMm),
		turnDeg: turn(-part.turnDeg),
	};
	const flip = (points: readonly { x: number; y: number }[]) =>
		points.map(({ x, y }) => (upright ? { x: -x, y } : { x, y: -y }));
	if (placed.kind === "thread") return { ...placed, points: flip(placed.points) };
	if (!("shape" in placed)) return placed;
	if (placed.shape.kind === "outline")
		return {
			...placed,
			shape: {
				kind: "outline",
				points: flip(placed.shape.points).reverse(),
				...(placed.shape.holes && { holes: placed.shape.holes.map(flip) }),
			},
		};
	// A right triangle seen in a mirror is the same triangle turned: legs change places.
	if (placed.shape.kind === "triangle") {
		const { widthMm, heightMm } = placed.shape;
		const quarter = upright ? 90 : -90;
		return {
			...placed,
			shape: { kind: "triangle", widthMm: heightMm, heightMm: widthMm },
			turnDeg: turn(placed.turnDeg + quarter),
		};
	}
	return placed;
}

/**
 * Radius (mm) of the circle on which `count` parts of a width overlap their neighbours by `overlapMm` (negative: a gap).
 * Nearer to the middle they overlap more, further out less.
 */
export const ringRadiusMm = (count: number, widthMm: number, overlapMm: number): number =>
	(widthMm - overlapMm) / (2 * Math.tan(Math.PI / count));

const turn = (degrees: number) => tidyMm(((((degrees + 180) % 360) + 360) % 360) - 180);
