import type { Point } from "../geometry/region";
import type { Change } from "../kit/change";
import type { Phrase } from "../units/phrase";

export type Severity = "stop" | "fix" | "know";

/** What one press can do about it. */
export interface Fix {
	label: Phrase;
	changes: Change[];
}

/** Something the glass will do, said before it does it. No finding without a figure in its sentence. */
export interface Finding {
	code: string;
	severity: Severity;
	sentence: Phrase;
	remedy: Phrase;
	partIds: string[];
	/** Where on the plan. */
	at?: Point;
	/** A line on the plan: where two parts meet. */
	line?: Point[];
	fix?: Fix;
}

const order: Record<Severity, number> = { stop: 0, fix: 1, know: 2 };

export const bySeverity = (a: Finding, b: Finding): number => order[a.severity] - order[b.severity];
