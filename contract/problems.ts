import { readWritten } from "@core/units/written";
import type { z } from "zod";

/** What schemas that say nothing themselves say: of a file from elsewhere, for which no field has words. */
const UNSAID = /^Invalid input/;

/** Nobody reads more than so many at once; and nobody's own words come back at length. */
const MOST_ISSUES = 20;
const LONGEST_NAME = 60;
const short = (name: string) => name.slice(0, LONGEST_NAME);

/** A schema's issues as the studio tells them: each with its path and a sentence. */
export const problemsOf = (error: z.ZodError) =>
	error.issues.slice(0, MOST_ISSUES).map((issue) => ({
		path: issue.path.map((step) => (typeof step === "number" ? step : String(step).slice(0, LONGEST_NAME))),
		sentence: readWritten(sentenceOf(issue)),
	}));

function sentenceOf(issue: z.core.$ZodIssue): string {
	if (issue.code === "unrecognized_keys") return `Unknown field ${issue.keys.slice(0, 3).map(short).join(", ")}.`;
	if (!UNSAID.test(issue.message)) return issue.message;
	return issue.message.endsWith("undefined") ? "This is missing." : "This is not of the kind that belongs here.";
}
