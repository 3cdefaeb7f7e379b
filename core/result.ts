/** What went wrong, where, and how to mend it, in the user's words. `path` names the field, outermost first. */
export interface Problem {
	path: readonly (string | number)[];
	sentence: string;
}

export type Result<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export const problem = (path: Problem["path"], sentence: string): Result<never> => ({
	ok: false,
	problems: [{ path, sentence }],
});
