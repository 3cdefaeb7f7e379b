import type { Learned } from "@core/kiln/learn";
import { type Phrase, say } from "@core/units/phrase";
import { loadKiln } from "@db/queries/kilns";
import { afterPreparing } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { keepLesson } from "./models/keep-lesson";
import { lockedKiln } from "./models/kiln";
import { bodyAfter, learnedFrom } from "./models/lessons";

/** The kiln's model becomes what a stretch of its record taught; computed again here, never taken from a page. */
export const acceptLearned = afterPreparing<"acceptLearned", Learned>(
	async ({ db }, { kilnId, from, to }) =>
		learnedFrom(db, inTheBook(await loadKiln(db, kilnId), "kiln"), new Date(from), new Date(to)),
	async ({ tx, now, actor }, { lessonId, kilnId }, learned) => {
		const row = await lockedKiln(tx, kilnId);
		const after = bodyAfter(row, learned);
		if (!after) throw new Refusal("invalid", "This record does not tell enough about the kiln.");
		const because: Phrase[] = [
			say`Learned from ${{ n: learned.heatingWindows }} stretches of heating and ${{ n: learned.fallingWindows }} of falling.`,
			...learned.unknown,
		];
		return keepLesson(tx, row, { id: lessonId, at: now, what: "log", after, because, actorId: actor.id });
	},
);
