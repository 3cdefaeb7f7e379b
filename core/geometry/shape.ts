import type { Point, Ring } from "./region";

/** The outline of one cut of glass, mm. A strip is a rectangle named by length and width; a triangle has its right angle at the lower left. */
export type CutShape =
	| { kind: "rectangle"; widthMm: number; heightMm: number }
	| { kind: "square"; sideMm: number }
	| { kind: "strip"; lengthMm: number; widthMm: number }
	| { kind: "triangle"; widthMm: number; heightMm: number }
	| { kind: "circle"; diameterMm: number };

export const SHAPE_KINDS = ["rectangle", "square", "strip", "triangle", "circle"] as const;

/** Deepest a chord may cut into the true circle, mm. */
const CHORD_MM = 0.02;

/** The outline with the middle of its box at the origin, counter-clockwise. */
export function outlineOf(shape: CutShape): Ring {
	if (shape.kind === "circle") return circle(shape.diameterMm / 2);
	const [w, h] = boxOf(shape);
	const [x, y] = [w / 2, h / 2];
	if (shape.kind === "triangle")
		return [
			{ x: -x, y: -y },
			{ x, y: -y },
			{ x: -x, y },
		];
	return [
		{ x: -x, y: -y },
		{ x, y: -y },
		{ x, y },
		{ x: -x, y },
	];
}

/** Width and height of the shape's own box, mm. */
export function boxOf(shape: CutShape): [number, number] {
	switch (shape.kind) {
		case "square":
			return [shape.sideMm, shape.sideMm];
		case "strip":
			return [shape.lengthMm, shape.widthMm];
		case "circle":
			return [shape.diameterMm, shape.diameterMm];
		default:
			return [shape.widthMm, shape.heightMm];
	}
}

/** Area by the school formula, mm². */
export function shapeAreaMm2(shape: CutShape): number {
	const [w, h] = boxOf(shape);
	if (shape.kind === "circle") return (Math.PI * w * w) / 4;
	return shape.kind === "triangle" ? (w * h) / 2 : w * h;
}

function circle(radius: number): Ring {
	const steps = Math.max(72, Math.ceil(Math.PI / Math.acos(1 - Math.min(CHORD_MM / radius, 0.5))));
	return Array.from({ length: steps }, (_, i) => {
		const angle = (2 * Math.PI * i) / steps;
		return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
	});
}

/** Turns about the origin by `degrees` counter-clockwise, then moves. */
export function placeRing(ring: Ring, at: Point, degrees: number): Ring {
	const angle = (degrees * Math.PI) / 180;
	const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
	return ring.map(({ x, y }) => ({ x: at.x + x * cos - y * sin, y: at.y + x * sin + y * cos }));
}
