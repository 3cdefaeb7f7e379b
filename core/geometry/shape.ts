import { boundsOf } from "./bounds";
import type { Point, Region, Ring } from "./region";

/**
 * The outline of one cut, mm. A strip is a rectangle named by length and width; a triangle has its right angle at the
 * lower left; a polygon is regular and measured from corner to corner through its middle; an outline is free.
 */
export type CutShape =
	| { kind: "rectangle"; widthMm: number; heightMm: number }
	| { kind: "square"; sideMm: number }
	| { kind: "strip"; lengthMm: number; widthMm: number }
	| { kind: "triangle"; widthMm: number; heightMm: number }
	| { kind: "circle"; diameterMm: number }
	| { kind: "ring"; diameterMm: number; holeMm: number }
	| { kind: "polygon"; sides: number; diameterMm: number }
	| { kind: "outline"; points: Point[]; holes?: Point[][] | undefined };
export const SHAPE_KINDS = [
	"rectangle",
	"square",
	"strip",
	"triangle",
	"circle",
	"ring",
	"polygon",
	"outline",
] as const satisfies readonly CutShape["kind"][];

/** Deepest a chord may cut into the true circle, mm. */
const CHORD_MM = 0.02;

/** What the shape covers, the middle of its box at the origin: outer ring counter-clockwise, a hole clockwise. */
export function regionOfShape(shape: CutShape): Region {
	switch (shape.kind) {
		case "circle":
			return [circle(shape.diameterMm / 2)];
		case "ring":
			return [circle(shape.diameterMm / 2), [...circle(shape.holeMm / 2)].reverse()];
		case "polygon":
			return [centred(corners(shape.sides, shape.diameterMm / 2, Math.PI / 2 + Math.PI / shape.sides))];
		case "outline": {
			const { minX, minY, widthMm, heightMm } = boundsOf([shape.points]);
			const moved = (ring: Ring) => ring.map(({ x, y }) => ({ x: x - minX - widthMm / 2, y: y - minY - heightMm / 2 }));
			const holes = (shape.holes ?? []).map((hole) => [...counterClockwise(moved(hole))].reverse());
			return [counterClockwise(moved(shape.points)), ...holes];
		}
		case "triangle": {
			const [x, y] = [shape.widthMm / 2, shape.heightMm / 2];
			return [
				[
					{ x: -x, y: -y },
					{ x, y: -y },
					{ x: -x, y },
				],
			];
		}
		default:
			return [rectangle(...boxOf(shape))];
	}
}

/** Width and height of the shape's own box, mm. */
export function boxOf(shape: CutShape): [number, number] {
	switch (shape.kind) {
		case "square":
			return [shape.sideMm, shape.sideMm];
		case "strip":
			return [shape.lengthMm, shape.widthMm];
		case "circle":
		case "ring":
			return [shape.diameterMm, shape.diameterMm];
		case "polygon":
		case "outline": {
			const { widthMm, heightMm } = boundsOf(regionOfShape(shape));
			return [widthMm, heightMm];
		}
		default:
			return [shape.widthMm, shape.heightMm];
	}
}

/** Area by the school formula, mm²; a free outline's by the shoelace sum. */
export function shapeAreaMm2(shape: CutShape): number {
	switch (shape.kind) {
		case "circle":
			return (Math.PI * shape.diameterMm ** 2) / 4;
		case "ring":
			return (Math.PI * (shape.diameterMm ** 2 - shape.holeMm ** 2)) / 4;
		case "polygon":
			return (shape.sides * shape.diameterMm ** 2 * Math.sin((2 * Math.PI) / shape.sides)) / 8;
		case "outline":
			return (shape.holes ?? []).reduce(
				(left, hole) => left - Math.abs(signedAreaMm2(hole)),
				Math.abs(signedAreaMm2(shape.points)),
			);
		default: {
			const [w, h] = boxOf(shape);
			return shape.kind === "triangle" ? (w * h) / 2 : w * h;
		}
	}
}

/** Sizes of a shape in the order people say them, mm; a free outline’s are those of its box. */
export function sizesOf(shape: CutShape): number[] {
	if (shape.kind === "outline") return boxOf(shape);
	return Object.entries(shape).flatMap(([key, value]) => (key.endsWith("Mm") ? [value as number] : []));
}

const rectangle = (w: number, h: number): Ring => [
	{ x: -w / 2, y: -h / 2 },
	{ x: w / 2, y: -h / 2 },
	{ x: w / 2, y: h / 2 },
	{ x: -w / 2, y: h / 2 },
];

function circle(radius: number): Ring {
	return corners(Math.max(72, Math.ceil(Math.PI / Math.acos(1 - Math.min(CHORD_MM / radius, 0.5)))), radius, 0);
}

function corners(count: number, radius: number, from: number): Ring {
	return Array.from({ length: count }, (_, i) => {
		const angle = from + (2 * Math.PI * i) / count;
		return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
	});
}

/** The ring moved so that the middle of its box is the origin. */
export function centred(ring: Ring): Ring {
	const { minX, minY, widthMm, heightMm } = boundsOf([ring]);
	return ring.map(({ x, y }) => ({ x: x - minX - widthMm / 2, y: y - minY - heightMm / 2 }));
}

/** Shoelace area of a ring, mm²; negative where it runs clockwise. */
export function signedAreaMm2(ring: Ring): number {
	return (
		ring.reduce((sum, a, i) => {
			const b = ring[(i + 1) % ring.length] as Point;
			return sum + a.x * b.y - b.x * a.y;
		}, 0) / 2
	);
}

const counterClockwise = (ring: Ring): Ring => (signedAreaMm2(ring) < 0 ? [...ring].reverse() : ring);

/** Turns about the origin by `degrees` counter-clockwise, then moves. */
export function placeRing(ring: Ring, at: Point, degrees: number): Ring {
	const angle = (degrees * Math.PI) / 180;
	const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
	return ring.map(({ x, y }) => ({ x: at.x + x * cos - y * sin, y: at.y + x * sin + y * cos }));
}
