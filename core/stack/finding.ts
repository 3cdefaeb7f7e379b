import type { Point } from "../geometry/region";
import type { Phrase } from "../units/phrase";

export type Severity = "stop" | "fix" | "know";

/** Something the glass will do, said before it does it. No finding without a figure in its sentence. */
export interface Finding {
	code: string;
	severity: Severity;
	sentence: Phrase;
	remedy: Phrase;
	partIds: string[];
	at?: Point;
}

const order: Record<Severity, number> = { stop: 0, fix: 1, know: 2 };

export const bySeverity = (a: Finding, b: Finding): number => order[a.severity] - order[b.severity];
