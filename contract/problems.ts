import type { z } from "zod";

/** What schemas that say nothing themselves say: of a file from elsewhere, for which no field has words. */
const UNSAID = /^Invalid input/;

/** A schema's issues as the studio tells them: each with its path and a sentence. */
export const problemsOf = (error: z.ZodError) =>
	error.issues.map((issue) => ({
		path: issue.path.map((step) => (typeof step === "symbol" ? String(step) : step)),
		sentence: sentenceOf(issue),
	}));

function sentenceOf(issue: z.core.$ZodIssue): string {
	if (issue.code === "unrecognized_keys") return `Unknown field ${issue.keys.join(", ")}.`;
	if (!UNSAID.test(issue.message)) return issue.message;
	return issue.message.endsWith("undefined") ? "This is missing." : "This is not of the kind that belongs here.";
}
