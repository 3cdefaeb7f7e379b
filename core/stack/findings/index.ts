import { bySeverity } from "../../advice";
import type { Finding } from "../finding";
import type { Stack } from "../stack";
import { airFindings } from "./air";
import { castingFindings } from "./casting";
import { coatingFindings } from "./coating";
import { edgeFindings } from "./edges";
import { familyFindings } from "./family";
import { fitFindings } from "./fit";
import { hangingFindings } from "./hanging";
import { heightFindings } from "./heights";
import { joinFindings } from "./joins";
import { meetingFindings } from "./meeting";
import { overhangFindings } from "./overhang";
import { reactionFindings } from "./reactions";
import { surfaceFindings } from "./surface";

const ALL = [
	familyFindings,
	joinFindings,
	meetingFindings,
	overhangFindings,
	coatingFindings,
	fitFindings,
	hangingFindings,
	heightFindings,
	airFindings,
	reactionFindings,
	surfaceFindings,
	edgeFindings,
	castingFindings,
] as const;

/** Everything the core has to say about a laid-up kit, worst first. */
export const findingsOf = (stack: Stack): Finding[] =>
	stack.glass.length === 0 ? [] : ALL.flatMap((find) => find(stack)).sort(bySeverity);
