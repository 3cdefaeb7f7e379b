import type { Role } from "@contract/people";
import { at, type Problem } from "@core/result";
import { METRIC, type Phrase, phraseText } from "@core/units/phrase";

const STATUS = {
	invalid: 400,
	signedOut: 401,
	forbidden: 403,
	missing: 404,
	conflict: 409,
	tooMuch: 413,
	tooHeavy: 422,
	tooOften: 429,
	busy: 503,
	/** The database cannot be reached. */
	away: 503,
} as const;

export type RefusalKind = keyof typeof STATUS;

/** Thrown by a use case: ends its transaction without a trace and becomes the answer's status and sentence. */
export class Refusal extends Error {
	readonly problems: Problem[];

	constructor(
		readonly kind: RefusalKind,
		said: string | readonly { path: Problem["path"]; sentence: string | Phrase }[],
	) {
		const problems = typeof said === "string" ? [at([], said)] : said.map(({ path, sentence }) => at(path, sentence));
		super(problems[0] ? phraseText(problems[0].sentence, METRIC) : kind);
		this.problems = problems;
	}

	get status(): number {
		return STATUS[this.kind];
	}
}

/** For somebody whose role may not. */
export const refuseOthers = (role: Role): Refusal =>
	new Refusal("forbidden", role === "instructor" ? "Only an instructor may do this." : "You may not do this.");

/** A row that was looked for by its id, or the refusal that it is not there. */
export function inTheBook<T>(row: T | undefined, what: string): T {
	if (row === undefined) throw new Refusal("missing", `There is no such ${what} in this studio.`);
	return row;
}
