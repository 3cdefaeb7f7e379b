import type { Phrase } from "./units/phrase";

/** What went wrong, where, and how to mend it, in the user's words. `path` names the field, outermost first. */
export interface Problem {
	path: readonly (string | number)[];
	sentence: Phrase;
}

export type Result<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

/** A problem as code says it: a sentence without figures is a plain string. */
export const at = (path: Problem["path"], sentence: string | Phrase): Problem => ({
	path,
	sentence: typeof sentence === "string" ? [sentence] : sentence,
});

export const problem = (path: Problem["path"], sentence: string | Phrase): Result<never> => ({
	ok: false,
	problems: [at(path, sentence)],
});
