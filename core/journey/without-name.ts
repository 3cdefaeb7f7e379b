/** Words of a name that are shorter are not looked for by themselves: too many other words begin so. */
const LEAST_LETTERS = 3;
const GONE = "…";

/**
 * Text without a person's name: the whole of it first, then each of its words, whatever their case, where they stand as words.
 * @param name as it is written in the book
 */
export function withoutName(text: string, name: string): string {
	const words = name.split(/[\s-]+/).filter((word) => [...word].length >= LEAST_LETTERS);
	return [name, ...words].reduce((left, word) => left.replaceAll(asWord(word), GONE), text);
}

/** The same of every text in a value; its shape, numbers and keys stay. */
export function erased<T>(value: T, name: string): T {
	if (typeof value === "string") return withoutName(value, name) as T;
	if (Array.isArray(value)) return value.map((one) => erased(one, name)) as T;
	if (typeof value !== "object" || value === null) return value;
	return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, erased(one, name)])) as T;
}

/** Letters, marks and digits of any alphabet on either side would make it part of another word. */
const asWord = (word: string): RegExp =>
	new RegExp(`(?<![\\p{L}\\p{M}\\p{N}])${word.replace(/[.*+?^${}()|[\]\\]/g, "\\$&")}(?![\\p{L}\\p{M}\\p{N}])`, "giu");
