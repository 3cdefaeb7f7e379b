import { silentAfterS } from "@core/kiln/watch";
import { picturesOf } from "@db/queries/pictures";
import { latestLives } from "@db/queries/readings";
import { firing, firingPlace } from "@db/schema";
import { and, eq, gt, inArray, isNull, or } from "drizzle-orm";
import type { View } from "../house/view";
import { firingCards } from "./models/cards";
import { mayOpen } from "./models/may-open";

/** Finished firings stay at the station this long. */
const SHOWN_DAYS = 30;

export const fire: View<"fire"> = async (context) => ({
	firings: await firingCards(
		context,
		or(
			inArray(firing.state, ["planned", "running"]),
			gt(firing.finishedAt, new Date(context.now.getTime() - SHOWN_DAYS * 86_400_000)),
		),
	),
});

export const open: View<"open"> = async (context) => {
	const { db, now } = context;
	const unjudged = db.select({ id: firingPlace.firingId }).from(firingPlace).where(isNull(firingPlace.judgedLevel));
	const cards = await firingCards(
		context,
		or(eq(firing.state, "running"), and(eq(firing.state, "opened"), inArray(firing.id, unjudged))),
	);
	const newest = await latestLives(db, [...new Set(cards.map(({ kiln }) => kiln.id))], now);
	const firings = cards.map((card) => {
		const reading = newest.get(card.kiln.id);
		const opening =
			card.state === "opened"
				? { may: true, why: "" }
				: mayOpen(
						{ ...card, startedAt: card.startedAt ? new Date(card.startedAt) : null },
						reading,
						now,
						silentAfterS(card.kiln.line),
					);
		return { ...card, airC: reading?.airC ?? null, mayOpen: opening.may, whyNot: opening.why };
	});
	const pictures = await picturesOf(
		db,
		firings.flatMap(({ pieces }) => pieces),
	);
	return {
		pictures,
		firings: firings.sort(
			(a, b) => Number(b.state === "opened") - Number(a.state === "opened") || Number(b.mayOpen) - Number(a.mayOpen),
		),
	};
};
