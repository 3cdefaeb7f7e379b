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
import { looseFindings } from "./loose";
import { meetingFindings } from "./meeting";
import { overhangFindings } from "./overhang";
import { reactionFindings } from "./reactions";
import { reliefFindings } from "./relief";
import { roomFindings } from "./room";
import { samePlaceFindings } from "./same-place";
import { surfaceFindings } from "./surface";
import { FINDING_CODES } from "./titles";

const ALL = [
	familyFindings,
	samePlaceFindings,
	looseFindings,
	roomFindings,
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
	reliefFindings,
	edgeFindings,
	castingFindings,
] as const;

/** Of a later firing only what it changes is told: all else was told of the firing that put the piece together. */
const LATER = [fitFindings, heightFindings, edgeFindings] as const;

/** Everything the core has to say about a laid-up kit: worst first, then in the order in which it is dealt with. */
export const findingsOf = (stack: Stack): Finding[] =>
	stack.glass.length === 0
		? []
		: (stack.isLater ? LATER : ALL)
				.flatMap((find) => find(stack))
				.sort((a, b) => bySeverity(a, b) || rankOf(a) - rankOf(b));

const rankOf = ({ code }: Finding): number => FINDING_CODES.indexOf(code);
