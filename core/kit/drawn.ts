import type { FuseLevel } from "../firing/level";
import { intersect, offset, type Region, subtract } from "../geometry/region";
import { regionOfShape } from "../geometry/shape";
import type { Glass } from "../glass/glass";
import { madeComponent } from "../stack/lay";
import {
	type Component,
	type KitDesign,
	type KitPart,
	type Metal,
	type PartOf,
	type WallStuff,
	wallStuffOf,
} from "./kit";
import { insideOf, isOnEdge, placedRegion, placeRegion } from "./plan";

/** A part as a plan shows it: where it lies and in which colours. A component is drawn part by part. */
export interface DrawnPart {
	part: KitPart;
	region: Region;
	boughtColour: string;
	firedColour: string;
	/** What is cut for one that stands on its edge, round its own middle: only where parts are drawn as they are cut. */
	asCut?: Region;
	/** The fibre that lines a wall. */
	lining?: Region;
	/** How much of what lies below shows through, 0–1. */
	clearness: number;
}

const METAL_COLOURS: Record<Metal, string> = {
	copper: "#b87345",
	silver: "#b9bfc4",
	steel: "#77808a",
	mica: "#cbb98c",
};
const WALL_COLOURS: Record<WallStuff, string> = { steel: METAL_COLOURS.steel, brick: "#c9b7a0", board: "#d8d2c2" };
export const FIBRE_COLOUR = "#e9e6dc";
const UNKNOWN_COLOUR = "#b05fb0";

/** All parts of a plan, bottom layer first. @param components as their firing left them, or as they are cut */
export const drawnParts = (
	design: KitDesign,
	glasses: ReadonlyMap<string, Glass>,
	components: "fired" | "cut" = "fired",
): DrawnPart[] =>
	[...design.parts].sort((a, b) => a.layer - b.layer).flatMap((part) => drawPart(part, design, glasses, components));

function drawPart(
	part: KitPart,
	design: KitDesign,
	glasses: ReadonlyMap<string, Glass>,
	components: "fired" | "cut",
): DrawnPart[] {
	if (part.kind === "component") {
		const drawn = components === "fired" ? drawnAsFired : drawnAsCut;
		return drawn(part, design, glasses).map((drawn) => ({
			...drawn,
			part,
			region: placeRegion(drawn.region, part),
		}));
	}
	const glass = "glassId" in part ? glasses.get(part.glassId) : undefined;
	const region = placedRegion(part, design, glass);
	const lining = part.kind === "dam" && part.liningMm ? { lining: liningOf(region, part.liningMm) } : {};
	const asCut =
		components === "cut" && part.kind === "sheet" && isOnEdge(part) ? { asCut: regionOfShape(part.shape) } : {};
	return [{ part, region, ...asCut, ...lining, ...coloursOf(part, glass) }];
}

/** Between the inside of a wall and its opening. */
function liningOf(wall: Region, mm: number): Region {
	const inside = insideOf(wall);
	return subtract(inside, offset(inside, -mm));
}

type Fired = Omit<DrawnPart, "part">[];

/** By the books and the component: a bench asks again at every change of the plan. */
const known = new WeakMap<
	ReadonlyMap<string, Glass>,
	WeakMap<Component, { level: FuseLevel | undefined; drawn: Fired }>
>();

/** A component part by part. */
const drawnAsCut = (
	{ componentId }: Pick<PartOf<"component">, "componentId">,
	design: KitDesign,
	glasses: ReadonlyMap<string, Glass>,
): Fired =>
	(design.components.find(({ id }) => id === componentId)?.parts ?? [])
		.toSorted((a, b) => a.layer - b.layer)
		.flatMap((one) => (one.kind === "component" ? [] : drawPart(one, design, glasses, "cut")))
		.map(({ part: _, ...drawn }) => drawn);

/** A component as its firing left it, round its own middle: one body in its main glass, what lies on that within its edge. */
function drawnAsFired(
	{ componentId }: Pick<PartOf<"component">, "componentId">,
	design: KitDesign,
	glasses: ReadonlyMap<string, Glass>,
): Fired {
	const component = design.components.find(({ id }) => id === componentId);
	if (!component) return [];
	const level = design.route[component.firing]?.level;
	const its = known.get(glasses) ?? new WeakMap();
	const before = its.get(component);
	if (before && before.level === level) return before.drawn;
	const { region: outline, glass } = madeComponent(design, componentId, { glasses });
	const inner = drawnAsCut({ componentId }, design, glasses).map((drawn) => ({
		...drawn,
		region: intersect(drawn.region, outline),
	}));
	const drawn = glass ? [{ region: outline, ...coloursOf(component.parts[0] as KitPart, glass) }, ...inner] : inner;
	known.set(glasses, its.set(component, { level, drawn }));
	return drawn;
}

function coloursOf(part: KitPart, glass: Glass | undefined): Omit<DrawnPart, "part" | "region" | "lining" | "asCut"> {
	if (part.kind === "foil" || part.kind === "loop") return alike(METAL_COLOURS[part.metal]);
	if (part.kind === "fibre") return alike(FIBRE_COLOUR);
	if (part.kind === "dam") return alike(WALL_COLOURS[wallStuffOf(part)]);
	if (!glass) return alike(UNKNOWN_COLOUR);
	const { boughtColour, firedColour } = glass;
	return { boughtColour, firedColour, clearness: CLEARNESS[glass.opacity] + (part.kind === "grains" ? 0.15 : 0) };
}

const CLEARNESS: Record<Glass["opacity"], number> = { clear: 0.45, transparent: 0.2, opalescent: 0 };

const alike = (colour: string) => ({ boughtColour: colour, firedColour: colour, clearness: 0 });
