/** One glass a studio has: what it is, how thick, how it looks before and after the fire. */
export interface Glass {
	id: string;
	name: string;
	familyId: string;
	form: "sheet" | "frit" | "stringer";
	thicknessMm: number;
	opacity: "clear" | "transparent" | "opalescent";
	/** Dark opaque and white opaque heat and cool at different speeds. */
	tone: "dark" | "white" | "other";
	/** #rrggbb as bought and as fired; they differ for a striker. */
	boughtColour: string;
	firedColour: string;
}

/** Shows its colour only after firing. */
export const isStriker = (glass: Glass): boolean => glass.boughtColour !== glass.firedColour;
