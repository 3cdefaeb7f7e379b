import type { Problem } from "@core/result";

/**
 * Numbers that a form could not read, by their path. They are refused before they are sent: as JSON they would be null, and
 * be kept as "none".
 */
export function unreadable(
	input: unknown,
	path: (string | number)[] = [],
): { path: (string | number)[]; sentence: Problem["sentence"] }[] {
	if (typeof input === "number")
		return Number.isFinite(input) ? [] : [{ path, sentence: [`${wordsOf(path)} is not a number that can be read.`] }];
	if (Array.isArray(input)) return input.flatMap((one, i) => unreadable(one, [...path, i]));
	if (typeof input !== "object" || input === null) return [];
	return Object.entries(input).flatMap(([key, one]) => unreadable(one, [...path, key]));
}

/** "shelfWidthMm" → "Shelf width". */
function wordsOf(path: readonly (string | number)[]): string {
	const name = String(path.findLast((step) => typeof step === "string") ?? "This")
		.replace(/(Mm|C|Min|K|G|W|WPerK|JPerK|Minor)$/, "")
		.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);
	return name.charAt(0).toUpperCase() + name.slice(1);
}
