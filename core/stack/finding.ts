import type { Advice } from "../advice";
import type { Point } from "../geometry/region";
import type { Change } from "../kit/change";
import type { FindingCode } from "./findings/titles";

/** Something the glass of a kit will do, said before it does it. */
export interface Finding extends Advice<FindingCode, { changes: Change[] }> {
	partIds: string[];
	/** Where on the plan. */
	at?: Point;
	/** A line on the plan: where two parts meet. */
	line?: Point[];
}
