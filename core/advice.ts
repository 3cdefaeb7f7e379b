import type { Phrase } from "./units/phrase";

export type Severity = "stop" | "fix" | "know";

/** Something that will come of a plan, said before it does: with its figure, what to do, and where one press can do it. */
export interface Advice<Code extends string = string, Mend = object> {
	code: Code;
	severity: Severity;
	/** What and why. None without a figure. */
	sentence: Phrase;
	remedy: Phrase;
	/** What one press changes. */
	fix?: Press<Mend>;
	/** Other ways to mend the same. */
	orElse?: readonly Press<Mend>[];
}

/** A remedy that can be pressed. */
export type Press<Mend = object> = { label: Phrase } & Mend;

const ORDER: Record<Severity, number> = { stop: 0, fix: 1, know: 2 };

/** Worst first. */
export const bySeverity = (a: { severity: Severity }, b: { severity: Severity }): number =>
	ORDER[a.severity] - ORDER[b.severity];
