import type { TableFile } from "./table-file";

/** Which column of a table says what; left out: none does. */
export type Mapping<W extends string> = Partial<Record<W, number>>;

/** Which column says what, by their heads, looked for in this order; a column says one thing. */
export function guessColumns<W extends string>(
	columns: readonly string[],
	heads: readonly (readonly [W, RegExp])[],
): Mapping<W> {
	const mapping: Mapping<W> = {};
	const taken = new Set<number>();
	for (const [what, head] of heads) {
		const at = columns.findIndex((words, i) => !taken.has(i) && head.test(words));
		if (at < 0) continue;
		mapping[what] = at;
		taken.add(at);
	}
	return mapping;
}

/** A column says one thing, and one thing is said by one column. */
export function remapped<W extends string>(mapping: Mapping<W>, column: number, what: W | ""): Mapping<W> {
	const rest = Object.fromEntries(
		Object.entries(mapping).filter(([key, at]) => at !== column && key !== what),
	) as Mapping<W>;
	return what === "" ? rest : { ...rest, [what]: column };
}

/** What a table says there of a row; empty where no column does. */
export const cellOf = <W extends string>(
	{ cells }: TableFile["rows"][number],
	mapping: Mapping<W>,
	what: W,
): string => {
	const at = mapping[what];
	return at === undefined ? "" : (cells[at] ?? "");
};

/** A line of a list and why it cannot be taken. */
export interface BrokenLine {
	line: number;
	sentence: string;
}

/** Two writings of a name are the same: by case, spaces and how letters are put together. */
export const sameName = (a: string, b: string): boolean => nameKey(a) === nameKey(b);

export const nameKey = (text: string): string => text.normalize("NFC").toLowerCase().replaceAll(/\s+/g, " ").trim();
