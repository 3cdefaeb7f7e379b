/** What a course offers to make: several small kits, or one large one that takes the whole class. */
export interface Offer {
	kits: readonly { id: string; isLarge: boolean }[];
	/** So many small ones at most. */
	smallKits: number;
}

/** Why somebody cannot make what they chose; undefined where they can. */
export function choiceProblem(chosenIds: readonly string[], { kits, smallKits }: Offer): string | undefined {
	const chosen = kits.filter(({ id }) => chosenIds.includes(id));
	if (chosen.length < new Set(chosenIds).size) return "One of these kits is no longer offered. Choose again.";
	if (kits.length === 0) return undefined;
	if (chosen.length === 0) return "Choose what you would like to make.";
	const large = chosen.filter(({ isLarge }) => isLarge).length;
	if (large > 0 && chosen.length > 1) return "A large kit takes the whole class: choose it alone.";
	if (large === 0 && chosen.length > smallKits)
		return smallKits === 1 ? "Choose one of these." : `Choose at most ${smallKits} of the small ones.`;
	return undefined;
}
