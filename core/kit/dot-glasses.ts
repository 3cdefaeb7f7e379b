import type { Glass } from "../glass/glass";
import type { KitDesign, KitPart, PartOf } from "./kit";

/** Of a kit’s dots, whether they are of sheet, and how thick that is. */
export type DotGlasses = ReadonlyMap<string, Pick<Glass, "form" | "thicknessMm">>;

/** A dot rounded of sheet glass: a studio fires it itself. Cane is sliced, and what is rounded of frit is bought. */
export const isDot = (part: KitPart, glasses: DotGlasses): part is PartOf<"lump"> =>
	part.kind === "lump" && part.form === "dome" && glasses.get(part.glassId)?.form === "sheet";

/** Dots of one glass and size are alike, whoever fired or bought them. */
export const madeOfDot = (glassId: string, diameterMm: number): string =>
	`${glassId}:lump:${Number(diameterMm.toFixed(2))}`;

/** Glasses whose form says whether a kit’s rounded dots are fired by the studio itself. */
export const dotGlassIds = ({ parts }: Pick<KitDesign, "parts">): string[] =>
	parts.flatMap((part) => (part.kind === "lump" && part.form === "dome" ? [part.glassId] : []));
