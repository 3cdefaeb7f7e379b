import { offset, type Region, subtract } from "../geometry/region";
import type { Glass } from "../glass/glass";
import { type KitDesign, type KitPart, type Metal, type WallStuff, wallStuffOf } from "./kit";
import { insideOf, placedRegion, placeRegion } from "./plan";

/** A part as a plan shows it: where it lies and in which colours. A component is drawn part by part. */
export interface DrawnPart {
	part: KitPart;
	region: Region;
	boughtColour: string;
	firedColour: string;
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

/** All parts of a plan, bottom layer first. */
export const drawnParts = (design: KitDesign, glasses: ReadonlyMap<string, Glass>): DrawnPart[] =>
	[...design.parts].sort((a, b) => a.layer - b.layer).flatMap((part) => drawPart(part, design, glasses));

function drawPart(part: KitPart, design: KitDesign, glasses: ReadonlyMap<string, Glass>): DrawnPart[] {
	if (part.kind === "component") {
		const component = design.components.find(({ id }) => id === part.componentId);
		return (component?.parts ?? []).flatMap((inner) =>
			inner.kind === "component"
				? []
				: drawPart(inner, design, glasses).map((drawn) => ({
						...drawn,
						part,
						region: placeRegion(drawn.region, part),
					})),
		);
	}
	const glass = "glassId" in part ? glasses.get(part.glassId) : undefined;
	const region = placedRegion(part, design, glass);
	const lining = part.kind === "dam" && part.liningMm ? { lining: liningOf(region, part.liningMm) } : {};
	return [{ part, region, ...lining, ...coloursOf(part, glass) }];
}

/** Between the inside of a wall and its opening. */
function liningOf(wall: Region, mm: number): Region {
	const inside = insideOf(wall);
	return subtract(inside, offset(inside, -mm));
}

function coloursOf(part: KitPart, glass: Glass | undefined): Omit<DrawnPart, "part" | "region" | "lining"> {
	if (part.kind === "foil" || part.kind === "loop") return alike(METAL_COLOURS[part.metal]);
	if (part.kind === "fibre") return alike(FIBRE_COLOUR);
	if (part.kind === "dam") return alike(WALL_COLOURS[wallStuffOf(part)]);
	if (!glass) return alike(UNKNOWN_COLOUR);
	const { boughtColour, firedColour } = glass;
	return { boughtColour, firedColour, clearness: CLEARNESS[glass.opacity] + (part.kind === "grains" ? 0.15 : 0) };
}

const CLEARNESS: Record<Glass["opacity"], number> = { clear: 0.45, transparent: 0.2, opalescent: 0 };

const alike = (colour: string) => ({ boughtColour: colour, firedColour: colour, clearness: 0 });
