import type { Problem } from "@core/result";

const STATUS = {
	invalid: 400,
	signedOut: 401,
	forbidden: 403,
	missing: 404,
	conflict: 409,
	tooMuch: 413,
	tooOften: 429,
} as const;
export type RefusalKind = keyof typeof STATUS;

/** Thrown by a use case: ends its transaction without a trace and becomes the answer's status and sentence. */
export class Refusal extends Error {
	readonly problems: Problem[];

	constructor(
		readonly kind: RefusalKind,
		sentenceOrProblems: string | Problem[],
	) {
		const problems =
			typeof sentenceOrProblems === "string" ? [{ path: [], sentence: sentenceOrProblems }] : sentenceOrProblems;
		super(problems[0]?.sentence ?? kind);
		this.problems = problems;
	}

	get status(): number {
		return STATUS[this.kind];
	}
}
