import type { Advice, Press } from "../advice";
import type { Point } from "../geometry/region";
import type { Change } from "../kit/change";
import type { FindingCode } from "./findings/titles";

/**
 * Something the glass of a kit will do, said before it does it. One cause is one finding, however many parts it touches: it
 * counts them, sums them up and names the worst.
 */
export interface Finding extends Advice<FindingCode, { changes: Change[] }> {
	partIds: string[];
	/** Where on the plan it is worst. */
	at?: Point;
	/** Where else. */
	places?: readonly Point[];
	/** Lines on the plan: where parts meet. */
	lines?: readonly (readonly Point[])[];
}

/** What one press changes on the plan. */
export type Mend = Press<{ changes: Change[] }>;
