import type { Point, Ring } from "@core/geometry/region";
import { problem, type Result } from "@core/result";
import { counted } from "@core/units/counted";
import type { Phrase } from "@core/units/phrase";
import DxfParser from "dxf-parser";
import { LARGEST_DRAWING_BYTES, type OutlinesRead, soundOutlines } from "./outlines";

/** Code of $INSUNITS → mm. Source: DXF Reference, HEADER section, $INSUNITS. */
const UNIT_MM: Record<number, number> = {
	1: 25.4,
	2: 304.8,
	4: 1,
	5: 10,
	6: 1000,
	8: 25.4e-6,
	9: 0.0254,
	13: 0.001,
	14: 100,
};
const MOST_ENTITIES = 5000;

interface Vertex {
	x: number;
	y: number;
	bulge?: number;
}
interface Entity {
	type: string;
	vertices?: Vertex[];
	shape?: boolean;
	center?: Point;
	radius?: number;
}

/** Closed polylines and circles of a DXF drawing, in mm. Where it names no unit, `assumedMm` is one. */
export function outlinesFromDxf(text: string, assumedMm = 1): Result<OutlinesRead> {
	if (text.length > LARGEST_DRAWING_BYTES) return problem([], "A drawing has at most 2 MB; this one was not read.");
	let drawing: ReturnType<DxfParser["parseSync"]>;
	try {
		drawing = new DxfParser().parseSync(text);
	} catch {
		return problem([], "This is not a DXF drawing that can be read. Save it as ASCII DXF.");
	}
	const entities = (drawing?.entities ?? []) as unknown as Entity[];
	if (entities.length === 0) return problem([], "There is nothing in this DXF drawing.");
	if (entities.length > MOST_ENTITIES)
		return problem([], `The drawing has more than ${MOST_ENTITIES} entities; take it apart first.`);
	const unit = UNIT_MM[Number(drawing?.header?.$INSUNITS ?? 0)];
	const notes: Phrase[] =
		unit === undefined ? [["The drawing names no unit: one is taken as ", { mm: assumedMm }, "."]] : [];
	const mm = unit ?? assumedMm;
	const rings = entities.flatMap((entity) => ringOf(entity) ?? []);
	const other = entities.filter(({ type }) => !["LWPOLYLINE", "POLYLINE", "CIRCLE"].includes(type)).length;
	if (other > 0) notes.push([`${counted(other, "entity", "entities")} left out: only polylines and circles are read.`]);
	return soundOutlines(
		rings.map((ring) => ring.map(({ x, y }) => ({ x: x * mm, y: y * mm }))),
		notes,
	);
}

function ringOf(entity: Entity): Ring[] | undefined {
	if (entity.type === "CIRCLE" && entity.center && entity.radius) {
		const { center, radius } = entity;
		return [arc(center, radius, 0, 2 * Math.PI).slice(0, -1)];
	}
	const vertices = entity.vertices ?? [];
	if (!/POLYLINE$/.test(entity.type) || vertices.length < 2) return undefined;
	const [first, last] = [vertices[0] as Vertex, vertices.at(-1) as Vertex];
	const meets = Math.hypot(first.x - last.x, first.y - last.y) < 1e-6;
	if (!entity.shape && !meets) return undefined;
	const corners = meets ? vertices.slice(0, -1) : vertices;
	return [corners.flatMap((from, i) => bulged(from, corners[(i + 1) % corners.length] as Vertex))];
}

const STEP_RAD = Math.PI / 36;

const arc = (centre: Point, radius: number, from: number, sweep: number): Point[] => {
	const steps = Math.max(2, Math.ceil(Math.abs(sweep) / STEP_RAD));
	return Array.from({ length: steps + 1 }, (_, i) => {
		const angle = from + (sweep * i) / steps;
		return { x: centre.x + radius * Math.cos(angle), y: centre.y + radius * Math.sin(angle) };
	});
};

/** A polyline's edge: straight, or an arc of bulge tan(¼ of its angle). Source: DXF Reference, LWPOLYLINE. The end is left out. */
function bulged(from: Vertex, to: Vertex): Point[] {
	const start = { x: from.x, y: from.y };
	if (!from.bulge) return [start];
	const sweep = 4 * Math.atan(from.bulge);
	const chord = Math.hypot(to.x - from.x, to.y - from.y);
	const radius = chord / (2 * Math.sin(sweep / 2));
	const toCentre = radius * Math.cos(sweep / 2);
	const [ux, uy] = [(to.x - from.x) / chord, (to.y - from.y) / chord];
	const centre = { x: (from.x + to.x) / 2 - uy * toCentre, y: (from.y + to.y) / 2 + ux * toCentre };
	return arc(centre, Math.abs(radius), Math.atan2(from.y - centre.y, from.x - centre.x), sweep).slice(0, -1);
}
