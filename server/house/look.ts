import type { ViewName, Views } from "@contract/views";
import type { Studio } from "@db/queries/studio";
import { loadStudio } from "@db/queries/studio";
import type { Actor } from "./context";
import { database } from "./database";
import { inTime } from "./in-transaction";
import { type Answer, KeptAnswers } from "./kept-answers";
import { isListening, onChange, onDeaf } from "./live";
import { asked, made } from "./see";

const kept = new KeptAnswers();

/** What this process changed itself is known before it is heard. */
export const keptChanged = kept.changed.bind(kept);

let hears = false;

/** Answers are kept only while every change is heard of. */
function mayKeep(): boolean {
	if (!hears) {
		hears = true;
		onChange(({ topics }) => kept.changed(topics));
		onDeaf(() => kept.changed());
	}
	return isListening();
}

/** The studio's own row, as it is now. */
export async function studioNow(): Promise<Studio> {
	const { db } = database();
	if (!mayKeep()) return inTime(loadStudio(db));
	const make = async () => ({ value: await inTime(loadStudio(db)), byTheClock: false });
	return (await kept.get("studio", ["studio"], make)).value;
}

/**
 * What {@link see} shows, made once for all who may see it and given again until something of it changes. What is somebody's own is
 * made each time.
 */
export async function look<N extends ViewName>(
	name: N,
	raw: Record<string, string>,
	{ actor, now }: { actor: Actor; now: Date },
): Promise<Answer<Views[N]>> {
	const { db } = database();
	const question = await asked(db, name, raw, { actor, now });
	const make = async () => made(db, question, { studio: await studioNow(), actor, now });
	if (question.contract.own || !mayKeep()) {
		const { value } = await make();
		return { value, text: JSON.stringify(value) };
	}
	const key = JSON.stringify([name, actor.role, question.params]);
	return kept.get(key, question.contract.topics, make);
}
