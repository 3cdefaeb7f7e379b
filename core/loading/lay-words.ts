import { LEVEL_WORDS } from "../firing/level";
import type { HeatProblem } from "./heat-there";
import type { LayProblem } from "./lay-problems";

/** What is wrong with where a piece lies, in a sentence. @param codeOf what people call a piece, by its id */
export function layWords(wrong: LayProblem | HeatProblem, codeOf: (id: string) => string): string {
	const code = codeOf(wrong.id);
	switch (wrong.kind) {
		case "edge":
			return `${code} lies over the edge of what may be used of the shelf.`;
		case "post":
			return `${code} would touch a post or come too near it.`;
		case "near":
			return `${code} and ${codeOf(wrong.otherId)} would touch or come too near each other.`;
		case "tall":
			return `${code} is too high for its shelf: another one stands above it.`;
		case "heat": {
			const comes = wrong.comes ? `come out ${LEVEL_WORDS[wrong.comes]}` : "hardly change";
			return `${code} would ${comes} where it lies: it is ${Math.round(Math.abs(wrong.offsetK))} K ${wrong.offsetK > 0 ? "hotter" : "cooler"} there.`;
		}
	}
}
