import { type Phrase, say } from "@core/units/phrase";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { keepLesson } from "./models/keep-lesson";
import { lockedKiln } from "./models/kiln";
import { bodyAfter, learnedFrom } from "./models/lessons";

/** The kiln's model becomes what a stretch of its record taught; computed again here, never taken from a page. */
export const acceptLearned: UseCase<"acceptLearned"> = async ({ tx, now, actor }, { lessonId, kilnId, from, to }) => {
	const row = await lockedKiln(tx, kilnId);
	const learned = await learnedFrom(tx, row, new Date(from), new Date(to));
	const after = bodyAfter(row, learned);
	if (!after) throw new Refusal("invalid", "This record does not tell enough about the kiln.");
	const because: Phrase[] = [
		say`Learned from ${{ n: learned.heatingWindows }} stretches of heating and ${{ n: learned.fallingWindows }} of falling.`,
		...learned.unknown,
	];
	return keepLesson(tx, row, { id: lessonId, at: now, what: "log", after, because, actorId: actor.id });
};
