import type { Figure, Phrase } from "./phrase";

/** Where only strings are carried (a schema's message, a form's, an error's), a figure stands between these: ⟦mm:0.5⟧. */
const FIGURE = /⟦([a-zA-Z0-9]+):(-?[\d.e+-]+)⟧/;
const KEYS: readonly string[] = ["mm", "mm2", "c", "cPerH", "stepC", "signedC", "min", "g", "gPerCm2", "deg", "n"];

/** A phrase as one string that {@link readWritten} reads back. */
export const written = (phrase: Phrase): string =>
	phrase.map((part) => (typeof part === "string" ? part : marked(part))).join("");

const marked = (figure: Figure): string => {
	const [[key, value] = ["n", 0]] = Object.entries(figure);
	return `⟦${key}:${value}⟧`;
};

/** The first sentence of what went wrong, written; something else where there is none. */
export const firstSentence = (problems: readonly { sentence: Phrase }[], otherwise = ""): string =>
	problems[0] ? written(problems[0].sentence) : otherwise;

/** What {@link written} wrote; any other string is a phrase without figures. */
export function readWritten(text: string): Phrase {
	// A split by a pattern with two groups gives words, key, value, words …
	const parts = text.split(new RegExp(FIGURE, "g"));
	const phrase: (string | Figure)[] = [];
	for (let i = 0; i < parts.length; i += 3) {
		const [words = "", key = "", value = ""] = parts.slice(i, i + 3);
		if (words) phrase.push(words);
		if (key) phrase.push(KEYS.includes(key) ? ({ [key]: Number(value) } as Figure) : `⟦${key}:${value}⟧`);
	}
	return phrase;
}
