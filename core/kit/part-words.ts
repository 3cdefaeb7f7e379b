import type { PartKind } from "./kit";

/** What people call each kind of part. */
export const PART_WORDS: Record<PartKind, string> = {
	sheet: "cut of sheet",
	thread: "stringer or ribbon",
	grains: "frit or powder",
	lump: "dot or cane slice",
	foil: "foil",
	loop: "wire loop",
	fibre: "fibre",
	dam: "dam",
	component: "component",
};
