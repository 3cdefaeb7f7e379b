import { LEVEL_WORDS } from "../firing/level";
import { type Phrase, say } from "../units/phrase";
import type { LoadProblem } from "./load-problems";

/** What is wrong with where a piece lies, in a sentence. @param codeOf what people call a piece, by its id */
export function layWords(wrong: LoadProblem, codeOf: (id: string) => string, clearanceMm: number): Phrase {
	const code = codeOf(wrong.id);
	switch (wrong.kind) {
		case "edge":
			return say`${code} lies over the edge of what may be used of the shelf.`;
		case "post":
			return say`${code} would touch a post, or come nearer than ${{ mm: clearanceMm }}.`;
		case "near":
			return say`${code} and ${codeOf(wrong.otherId)} would touch, or come nearer than ${{ mm: clearanceMm }}.`;
		case "tall":
			return say`${code} is too high for its shelf: another one stands above it.`;
		case "noShelf":
			return say`${code} lies on a shelf this load does not use.`;
		case "half":
			return say`${code} is not on its family’s half of the shelf.`;
		case "heat": {
			const comes = wrong.comes ? `come out ${LEVEL_WORDS[wrong.comes]}` : "hardly change";
			return say`${code} would ${comes} where it lies: it is ${{ stepC: Math.abs(wrong.offsetK) }} ${wrong.offsetK > 0 ? "hotter" : "cooler"} there.`;
		}
	}
}
