import type { Point, Ring } from "@core/geometry/region";
import { problem, type Result } from "@core/result";
import { counted } from "@core/units/counted";
import type { Phrase } from "@core/units/phrase";
import svgpath from "svgpath";
import { type INode, parseSync } from "svgson";
import { LARGEST_DRAWING_BYTES, NEAR_MM, type OutlinesRead, soundOutlines } from "./outlines";

const MOST_ELEMENTS = 5000;
/** CSS pixels. Source: CSS Values and Units Level 3, absolute lengths: 96 px to the inch. */
const UNIT_MM: Record<string, number> = {
	mm: 1,
	cm: 10,
	in: 25.4,
	pt: 25.4 / 72,
	pc: 25.4 / 6,
	px: 25.4 / 96,
	"": 25.4 / 96,
};

/**
 * Closed outlines of an SVG drawing, in mm. Paths, polygons, rectangles, circles and ellipses with their transforms; the
 * size comes from the drawing's own width and view box. Nothing in it is run: scripts, links and images are not looked at.
 */
export function outlinesFromSvg(text: string): Result<OutlinesRead> {
	if (text.length > LARGEST_DRAWING_BYTES) return problem([], "A drawing has at most 2 MB; this one was not read.");
	if (/<!ENTITY/i.test(text)) return problem([], "The drawing defines entities of its own; it was not read.");
	let root: INode;
	try {
		root = parseSync(text);
	} catch {
		return problem([], "This is not an SVG drawing that can be read.");
	}
	if (root.name !== "svg") return problem([], "This is not an SVG drawing: its first element is not svg.");
	const scale = scaleOf(root);
	if (!scale.ok) return scale;
	const found = collect(root);
	if (!found) return problem([], `The drawing has more than ${MOST_ELEMENTS} elements; take it apart first.`);
	const notes: Phrase[] = [];
	if (found.open > 0) notes.push([`${counted(found.open, "open line")} left out: an outline has to be closed.`]);
	if (found.scripts > 0)
		notes.push([
			`${counted(found.scripts, "script, image or text", "scripts, images or texts")} in the drawing not looked at.`,
		]);
	const { mmX, mmY, note } = scale.value;
	if (note) notes.push([note]);
	return soundOutlines(
		found.rings.map((ring) => ring.map(({ x, y }) => ({ x: x * mmX, y: -y * mmY }))),
		notes,
	);
}

/** Millimetres of a drawing's unit, across and down. */
function scaleOf({ attributes }: INode): Result<{ mmX: number; mmY: number; note?: string }> {
	const box = (attributes.viewBox ?? "")
		.trim()
		.split(/[\s,]+/)
		.map(Number);
	const sized = (value: string | undefined) => {
		const match = /^\s*([\d.]+(?:e[+-]?\d+)?)\s*([a-z%]*)\s*$/i.exec(value ?? "");
		const factor = match ? UNIT_MM[(match[2] ?? "").toLowerCase()] : undefined;
		return match && factor !== undefined ? Number(match[1]) * factor : undefined;
	};
	const [width, height] = [sized(attributes.width), sized(attributes.height)];
	const hasBox = box.length === 4 && box.every(Number.isFinite) && (box[2] ?? 0) > 0 && (box[3] ?? 0) > 0;
	const unit = UNIT_MM[""] as number;
	if (!hasBox)
		return {
			ok: true,
			value: { mmX: unit, mmY: unit, note: "The drawing has no view box: its units are taken as 96 to the inch." },
		};
	if (width === undefined && height === undefined)
		return {
			ok: true,
			value: { mmX: 1, mmY: 1, note: "The drawing says no size: its units are taken as millimetres." },
		};
	const [across, down] = [(width ?? Number.NaN) / (box[2] as number), (height ?? Number.NaN) / (box[3] as number)];
	const mmX = Number.isFinite(across) ? across : down;
	const mmY = Number.isFinite(down) ? down : across;
	return mmX > 0 && mmY > 0
		? { ok: true, value: { mmX, mmY } }
		: problem([], "The drawing’s width and view box do not fit together.");
}

interface Found {
	rings: Ring[];
	open: number;
	scripts: number;
}

const DRAWN: Record<string, (attributes: Record<string, string>) => string> = {
	path: ({ d = "" }) => d,
	polygon: ({ points = "" }) => `M${points}Z`,
	rect: ({ x = "0", y = "0", width = "0", height = "0" }) => `M${x} ${y}h${width}v${height}h-${width}Z`,
	circle: ({ cx = "0", cy = "0", r = "0" }) => roundPath(cx, cy, r, r),
	ellipse: ({ cx = "0", cy = "0", rx = "0", ry = "0" }) => roundPath(cx, cy, rx, ry),
};
const roundPath = (cx: string, cy: string, rx: string, ry: string) =>
	`M${Number(cx) - Number(rx)} ${cy}a${rx} ${ry} 0 1 0 ${2 * Number(rx)} 0a${rx} ${ry} 0 1 0 ${-2 * Number(rx)} 0Z`;
const PASSED_OVER = new Set(["script", "image", "text", "foreignObject", "a", "use", "style"]);
const NOT_DRAWN = new Set(["defs", "clipPath", "mask", "symbol", "pattern", "marker"]);

/** Walks the drawing with a stack of its own: hostile nesting must not end in an overflow. Undefined where it is too large. */
function collect(root: INode): Found | undefined {
	const found: Found = { rings: [], open: 0, scripts: 0 };
	const waiting: { node: INode; transforms: string[] }[] = [{ node: root, transforms: [] }];
	let seen = 0;
	for (let next = waiting.pop(); next; next = waiting.pop()) {
		const { node, transforms } = next;
		if (++seen > MOST_ELEMENTS) return undefined;
		if (PASSED_OVER.has(node.name)) {
			found.scripts++;
			continue;
		}
		if (NOT_DRAWN.has(node.name)) continue;
		const own = node.attributes?.transform;
		const all = own ? [...transforms, own] : transforms;
		const path = DRAWN[node.name]?.(node.attributes);
		if (path) addRings(found, path, all);
		for (const child of [...node.children].reverse()) waiting.push({ node: child, transforms: all });
	}
	return found;
}

function addRings(found: Found, d: string, transforms: readonly string[]): void {
	const path = svgpath(d);
	if ((path as unknown as { err?: string }).err) {
		found.open++;
		return;
	}
	for (const transform of [...transforms].reverse()) path.transform(transform);
	for (const line of flattened(path)) {
		const [first, last] = [line.points[0], line.points.at(-1)];
		if (!first || !last) continue;
		const meets = Math.hypot(first.x - last.x, first.y - last.y) < 0.01;
		if (!line.closed && !meets) {
			found.open++;
			continue;
		}
		const points = meets ? line.points.slice(0, -1) : line.points;
		if (points.length >= 3) found.rings.push(points);
	}
}

/** A path as chords of its lines and curves. */
function flattened(path: ReturnType<typeof svgpath>): { points: Point[]; closed: boolean }[] {
	const lines: { points: Point[]; closed: boolean }[] = [];
	path
		.unarc()
		.unshort()
		.abs()
		.iterate((segment, _, x, y) => {
			const [command, ...n] = segment as [string, ...number[]];
			const points = lines.at(-1)?.points;
			const to = { x: n.at(-2) ?? x, y: n.at(-1) ?? y };
			if (command === "M") lines.push({ points: [to], closed: false });
			else if (command === "Z") {
				const line = lines.at(-1);
				if (line) line.closed = true;
			} else if (command === "H") points?.push({ x: n[0] as number, y });
			else if (command === "V") points?.push({ x, y: n[0] as number });
			else if (command === "L") points?.push(to);
			else if (command === "C")
				points?.push(
					...curve([{ x, y }, { x: n[0] as number, y: n[1] as number }, { x: n[2] as number, y: n[3] as number }, to]),
				);
			else if (command === "Q") points?.push(...curve([{ x, y }, { x: n[0] as number, y: n[1] as number }, to]));
		});
	return lines;
}

const MOST_CHORDS = 64;

/** A Bézier curve as chords, by de Casteljau's construction; its start is left out. */
function curve(control: readonly Point[]): Point[] {
	const length = control
		.slice(1)
		.reduce((sum, to, i) => sum + Math.hypot(to.x - (control[i] as Point).x, to.y - (control[i] as Point).y), 0);
	const chords = Math.min(MOST_CHORDS, Math.max(4, Math.ceil(Math.sqrt(length / NEAR_MM))));
	return Array.from({ length: chords }, (_, i) => {
		const t = (i + 1) / chords;
		let points = control;
		while (points.length > 1)
			points = points.slice(1).map((to, k) => {
				const from = points[k] as Point;
				return { x: from.x + t * (to.x - from.x), y: from.y + t * (to.y - from.y) };
			});
		return points[0] as Point;
	});
}
