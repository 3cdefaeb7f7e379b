/** What a glass comes as: sheet, crushed, a round thread, a flat noodle, a rod to slice. */
export const GLASS_FORMS = ["sheet", "frit", "stringer", "ribbon", "cane"] as const;
export type GlassForm = (typeof GLASS_FORMS)[number];

/** Crushed glass, finest first. */
export const FRIT_GRADES = ["powder", "fine", "medium", "coarse"] as const;
export type FritGrade = (typeof FRIT_GRADES)[number];

/** What is in a glass that makes another one change colour where they touch. */
export const CHEMISTRY = ["sulphur", "selenium", "copper", "lead", "silver"] as const;
export type Chemistry = (typeof CHEMISTRY)[number];

/** A thin coat on one face; dichroic is metal, iridescent a tin or titanium shimmer. */
export const COATINGS = ["none", "iridescent", "dichroic"] as const;
export type Coating = (typeof COATINGS)[number];

export const OPACITIES = ["clear", "transparent", "opalescent"] as const;
export const TONES = ["dark", "white", "other"] as const;

/** One glass a studio has: what it is, how thick, how it looks before and after the fire. */
export interface Glass {
	id: string;
	name: string;
	familyId: string;
	form: GlassForm;
	/** Sheet: thickness; stringer: diameter; ribbon: height; cane: diameter. mm. Frit has none: its mass counts. */
	thicknessMm: number;
	/** Width of a ribbon, mm; null where it follows from the thickness. */
	widthMm: number | null;
	grade: FritGrade | null;
	opacity: (typeof OPACITIES)[number];
	/** Dark opaque and white opaque heat and cool at different speeds. */
	tone: (typeof TONES)[number];
	coating: Coating;
	/** A rough or rolled face: two of them together trap a fizz of bubbles. */
	roughFace: boolean;
	/** Its streaks run along the sheet. */
	directed: boolean;
	/** A slab that the studio fused itself, and cuts again: it is heated as glass that was fired before. */
	fused?: boolean;
	chemistry: Chemistry[];
	/** #rrggbb as bought and as fired; they differ for a striker. */
	boughtColour: string;
	firedColour: string;
	/** Price in minor units: sheet per m², frit per kg, threads and cane per m. Null where nobody typed one or may see it. */
	priceMinor: number | null;
	/** Put away: known where it was used, offered for nothing new. */
	retired?: boolean;
}

/** What a new part may be cut of. */
export const inUse = <T extends { retired?: boolean }>(all: readonly T[]): T[] => all.filter(({ retired }) => !retired);

/** The same, and what is chosen now although it is put away. */
export const choosable = <T extends { id: string; retired?: boolean }>(all: readonly T[], chosenId?: string): T[] =>
	all.filter(({ id, retired }) => !retired || id === chosenId);

/** Shows its colour only after firing. */
export const isStriker = (glass: Glass): boolean => glass.boughtColour !== glass.firedColour;

/** A plain single sheet; what a new glass starts from. */
export const PLAIN_SHEET: Omit<Glass, "id" | "name" | "familyId"> = {
	form: "sheet",
	thicknessMm: 3,
	widthMm: null,
	grade: null,
	opacity: "transparent",
	tone: "other",
	coating: "none",
	roughFace: false,
	directed: false,
	chemistry: [],
	boughtColour: "#c9d8d2",
	firedColour: "#c9d8d2",
	priceMinor: null,
};
