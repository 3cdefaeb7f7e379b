import type { FuseLevel } from "../firing/level";
import { boundsOf } from "../geometry/bounds";
import { squareForDot } from "./dot";
import { type DotGlasses, isDot, madeOfDot } from "./dot-glasses";
import { type Component, glassIdOf, type KitDesign, type KitPart, type PartOf } from "./kit";
import { placedRegion } from "./plan";

/** Something that is fired by itself before a kit is packed: one of its components, or a dot of sheet glass. Lengths mm. */
export interface FiredPart {
	/** What it is made of and how it is fired: alike in every kit, whatever it is called there. */
	madeOf: string;
	name: string;
	level: FuseLevel;
	/** The glass it is of; null where it is of several. */
	glassId: string | null;
	/** Across, the longer way, as cut; a dot by what it ends as. */
	sizeMm: number;
	/** How many one kit takes. */
	perKit: number;
	/** What is cut for one of it. */
	parts: readonly KitPart[];
	/** The component; none for a dot. */
	componentId: string | null;
}

type Kit = Pick<KitDesign, "parts" | "components" | "route">;
/** Everything of a kit that is fired before it is packed: components first, then dots. */
export function firedParts(design: Kit, glasses: DotGlasses): FiredPart[] {
	const components = design.components.flatMap((component): FiredPart[] => {
		const perKit = design.parts.filter((part) => part.kind === "component" && part.componentId === component.id).length;
		return perKit > 0 && component.parts.length > 0 ? [componentPart(component, design, perKit)] : [];
	});
	const dots = new Map<string, FiredPart>();
	for (const part of design.parts) {
		const dot = isDot(part, glasses) ? dotPart(part, glasses) : undefined;
		if (dot) dots.set(dot.madeOf, { ...dot, perKit: (dots.get(dot.madeOf)?.perKit ?? 0) + 1 });
	}
	return [...components, ...dots.values()];
}

function componentPart(component: Component, design: Kit, perKit: number): FiredPart {
	const level = design.route[component.firing]?.level ?? "full";
	const glassIds = [...new Set(component.parts.flatMap((part) => glassIdOf(part) ?? []))];
	const box = boundsOf(component.parts.flatMap((part) => placedRegion(part, { components: [] })));
	return {
		madeOf: madeOfComponent(component.parts, level),
		...{ name: component.name, level, perKit, parts: component.parts, componentId: component.id },
		glassId: glassIds.length === 1 ? (glassIds[0] ?? null) : null,
		sizeMm: Math.round(Math.max(box.widthMm, box.heightMm) * 10) / 10,
	};
}

const squares = new Map<string, number>();

/** The square that is cut for a dot; reckoned once for each size. */
function squareMm(diameterMm: number, thicknessMm: number): number {
	const key = `${diameterMm} ${thicknessMm}`;
	const known = squares.get(key) ?? squareForDot(diameterMm, thicknessMm);
	squares.set(key, known);
	return known;
}

function dotPart(part: PartOf<"lump">, glasses: DotGlasses): FiredPart {
	const { glassId, diameterMm } = part;
	const sideMm = squareMm(diameterMm, glasses.get(glassId)?.thicknessMm ?? 3);
	const { id, name, layer, xMm, yMm, turnDeg, firing } = part;
	const square: KitPart = {
		...{ id, name, layer, xMm, yMm, turnDeg, firing },
		...{ kind: "sheet", shape: { kind: "square", sideMm }, glassId, faceDown: false },
	};
	return {
		madeOf: madeOfDot(glassId, diameterMm),
		...{ name: "dot", level: "full", glassId, sizeMm: diameterMm, perKit: 1, parts: [square], componentId: null },
	};
}

/** The same parts in the same places, fired to the same level, are the same thing. */
function madeOfComponent(parts: readonly KitPart[], level: FuseLevel): string {
	const low = Math.min(...parts.map(({ layer }) => layer));
	const { minX, minY } = boundsOf(parts.flatMap((part) => placedRegion(part, { components: [] })));
	const likes = parts.map(({ id: _, name: _1, loose: _2, firing: _3, ...part }) =>
		canonical({ ...part, layer: part.layer - low, xMm: tenth(part.xMm - minX), yMm: tenth(part.yMm - minY) }),
	);
	return `${level} ${hashOf(likes.sort().join("\n"))}`;
}

/** As text, whatever order its fields were written in. */
const canonical = (value: unknown): string =>
	JSON.stringify(value, (_, one: unknown) =>
		one && typeof one === "object" && !Array.isArray(one)
			? Object.fromEntries(Object.entries(one).sort(([a], [b]) => (a < b ? -1 : 1)))
			: one,
	);

const tenth = (mm: number): number => Math.round(mm * 10) / 10 + 0;

/** Sixteen hexadecimal digits of a text, twice FNV-1a with two beginnings. Source: Fowler, Noll, Vo. */
function hashOf(text: string): string {
	const half = (start: number) => {
		let hash = start;
		for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
		return (hash >>> 0).toString(16).padStart(8, "0");
	};
	return half(0x811c9dc5) + half(0x9747b28c);
}
