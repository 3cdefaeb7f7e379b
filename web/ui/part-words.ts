import { type CutShape, sizesOf } from "@core/geometry/shape";
import type { Glass } from "@core/glass/glass";
import { glassIdOf, type KitDesign, type KitPart, wallStuffOf } from "@core/kit/kit";
import { lengthOf } from "@core/kit/length";
import type { Figure } from "@core/units/phrase";
import { sizeWords } from "./size-words";

/** What people call each shape. */
export const SHAPE_WORDS: Record<CutShape["kind"], string> = {
	rectangle: "rectangle",
	square: "square",
	strip: "strip",
	triangle: "right triangle",
	circle: "circle",
	ring: "ring",
	polygon: "polygon",
	outline: "free outline",
};

/** "rectangle 32 mm × 20 mm", "stringer 48 mm", "copper foil, circle 8 mm". */
export function partWords(
	part: KitPart,
	design: KitDesign,
	glass: Glass | undefined,
	figure: (figure: Figure) => string,
): string {
	switch (part.kind) {
		case "sheet":
			return shapeWords(part.shape, figure);
		case "thread":
			return `${glass?.form ?? "stringer"} ${figure({ mm: lengthOf(part.points) })}`;
		case "grains":
			return `${glass?.grade === "powder" ? "powder" : "frit"} ${figure({ gPerCm2: part.gPerCm2 })}, ${shapeWords(part.shape, figure)}`;
		case "lump":
			return `${part.form === "slice" ? "cane slice" : "dot"} ${figure({ mm: part.diameterMm })}, ${figure({ mm: part.heightMm })} high`;
		case "foil":
			return `${part.metal} foil, ${shapeWords(part.shape, figure)}`;
		case "loop":
			return `${part.metal} wire loop, eye ${figure({ mm: part.eyeMm })}`;
		case "fibre":
			return `fibre ${part.use} ${figure({ mm: part.heightMm })}`;
		case "dam":
			return `${wallStuffOf(part)} wall ${figure({ mm: part.heightMm })} high${part.liningMm ? `, lined with ${figure({ mm: part.liningMm })}` : ""}`;
		case "component":
			return `made in firing ${(design.components.find(({ id }) => id === part.componentId)?.firing ?? 0) + 1}`;
	}
}

export function shapeWords(shape: CutShape, figure: (figure: Figure) => string): string {
	const words = shape.kind === "polygon" ? `${shape.sides} corners` : SHAPE_WORDS[shape.kind];
	return `${words} ${sizeWords(sizesOf(shape), figure)}`;
}

/** Parts that are cut alike and lie on one layer: one line of the list. */
export const likenessOf = (part: KitPart): string => {
	const { id: _, xMm: _x, yMm: _y, turnDeg: _t, ...rest } = part;
	return JSON.stringify({ ...rest, glass: glassIdOf(part) });
};
