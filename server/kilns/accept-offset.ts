import { say } from "@core/units/phrase";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { keepLesson } from "./models/keep-lesson";
import { lockedKiln } from "./models/kiln";
import { offsetFor } from "./models/lessons";

/** The proposed offset, accepted by an instructor; refused where the evidence changed meanwhile. */
export const acceptOffset: UseCase<"acceptOffset"> = async ({ tx, now, actor }, { lessonId, kilnId, proposedK }) => {
	const row = await lockedKiln(tx, kilnId);
	const proposal = await offsetFor(tx, row);
	if (!proposal || proposal.proposedK !== proposedK)
		throw new Refusal("conflict", "The evidence changed meanwhile. Look at it again.");
	const because = proposal.evidence.map(
		({ label, expected, judged, flow }) =>
			say`Firing ${label}: expected ${expected}, came out ${judged}, flow index ${{ n: flow }} as shown.`,
	);
	const after = { ...row.body, offsetK: proposedK };
	await keepLesson(tx, row, { id: lessonId, at: now, what: "offset", after, because, actorId: actor.id });
	return { offsetK: proposedK };
};
