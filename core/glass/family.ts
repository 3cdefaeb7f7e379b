/**
 * A family: glasses with one tested thermal expansion.
 * Temperatures in °C; expansion in 10⁻⁷/K. `tested` is false for glass nobody has vouched for:
 * each untested glass is a family of its own and equals no other.
 */
export interface GlassFamily {
	id: string;
	label: string;
	expansionE7PerK: number;
	annealingC: number;
	softeningC: number;
	workingC: number;
	tested: boolean;
	/** Where it is soaked, if not as the studio usually does. */
	soakSchool?: SoakSchool | null;
}

/** Where the anneal soak lies: both schools are in wide use and both are accepted. */
export const SOAK_SCHOOLS = ["lower", "atAnnealingPoint"] as const;
export type SoakSchool = (typeof SOAK_SCHOOLS)[number];

/** Generic fixed points, from memory; the user edits them from the glass maker's own sheet. */
export const FAMILY_90: GlassFamily = {
	id: "90",
	label: "90",
	expansionE7PerK: 90,
	annealingC: 516,
	softeningC: 677,
	workingC: 930,
	tested: true,
};

export const FAMILY_96: GlassFamily = {
	id: "96",
	label: "96",
	expansionE7PerK: 96,
	annealingC: 510,
	softeningC: 660,
	workingC: 910,
	tested: true,
};
