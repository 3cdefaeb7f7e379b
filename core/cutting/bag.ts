import { type DotGlasses, isDot } from "../kit/dot-glasses";
import { firedParts } from "../kit/fired-parts";
import type { KitDesign } from "../kit/kit";
import { type CutLine, cutListOf, forKits } from "./count";

/** Something that goes into a kit's bag. */
export interface BagLine {
	/** The cut's key, what a fired part is made of, or "glue", "sheet", "label". */
	key: string;
	cut: CutLine | null;
	/** It was fired by itself before: what it is made of, its glass, its size in mm. */
	fired: { madeOf: string; glassId: string | null; sizeMm: number } | null;
	words: string;
	count: number;
}

/** What is in every bag besides its cuts. Common practice, no source. */
const EXTRAS: readonly Pick<BagLine, "key" | "words">[] = [
	{ key: "glue", words: "a little white glue" },
	{ key: "sheet", words: "the kit’s sheet" },
	{ key: "label", words: "the label" },
];

/** Everything in one kit's bag, without spares: what is cut, pots, lengths, loops; parts that were fired first; then what each bag has. */
export function bagOf(design: Pick<KitDesign, "parts" | "components" | "route">, glasses: DotGlasses): BagLine[] {
	const fired = firedParts(design, glasses);
	const own = design.parts.filter((part) => part.kind !== "component" && !isDot(part, glasses));
	return [
		...cutListOf(forKits(own, 1), { share: 0, least: 0 }).map((cut) => ({
			...{ key: cut.key, cut, fired: null, words: cut.stuff, count: cut.perKit },
		})),
		...fired.map(({ madeOf, name, glassId, sizeMm, perKit }) => ({
			...{ key: madeOf, cut: null, fired: { madeOf, glassId, sizeMm }, words: name, count: perKit },
		})),
		...EXTRAS.map((one) => ({ ...one, cut: null, fired: null, count: 1 })),
	];
}
