import { cutsOf, type KitDesign } from "../kit/kit";
import { type CutLine, cutListOf } from "./count";

/** Something that goes into a kit's bag. */
export interface BagLine {
	/** The cut's key, or "glue", "sheet", "label". */
	key: string;
	cut: CutLine | null;
	words: string;
	count: number;
	/** It was fired by itself before. */
	isFired: boolean;
}

/** What is in every bag besides its cuts. Common practice, no source. */
const EXTRAS: readonly Omit<BagLine, "cut" | "isFired" | "count">[] = [
	{ key: "glue", words: "a little white glue" },
	{ key: "sheet", words: "the kit’s sheet" },
	{ key: "label", words: "the label" },
];

/** Everything in one kit's bag, without spares: what is cut, pots, lengths, loops, dots; then what each bag has. */
export function bagOf(design: Pick<KitDesign, "parts" | "components">): BagLine[] {
	const cuts = cutListOf(cutsOf(design), 1, { share: 0, least: 0 });
	return [
		...cuts.map((cut) => ({
			key: cut.key,
			cut,
			words: cut.stuff,
			count: cut.perKit,
			isFired: cut.kind === "lump" && cut.stuff === "dot",
		})),
		...EXTRAS.map((one) => ({ ...one, cut: null, count: 1, isFired: false })),
	];
}

/** White glue thinned for laying parts: eight parts of glue to two of water. Common practice, no source. */
export const thinnedGlue = (wantedMl: number): { glueMl: number; waterMl: number } => ({
	glueMl: Math.round(wantedMl * 8) / 10,
	waterMl: Math.round(wantedMl * 2) / 10,
});

const GLASS_G_PER_CM3 = 2.5;

/**
 * Glass that fills a mould, g: its volume times 2.5 g/cm³ (soda-lime glass), and a little that spills.
 * @param spill 0 to 0.05. Common practice, no source.
 */
export const fillMassG = (volumeCm3: number, spill = 0): number =>
	Math.round(volumeCm3 * GLASS_G_PER_CM3 * (1 + spill) * 10) / 10;
