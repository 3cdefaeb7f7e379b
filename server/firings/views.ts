import { mayOpen, type OpenNow } from "@core/firing/may-open";
import type { KilnHeat } from "@core/kiln/heat";
import { picturesOf } from "@db/queries/pictures";
import { firing, firingPlace, kiln } from "@db/schema";
import { and, eq, gt, inArray, isNull, or } from "drizzle-orm";
import type { View } from "../house/view";
import { kilnHeats } from "../kilns/models/heat";
import { firingCards } from "./models/cards";

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
	const kilnIds = [...new Set(cards.map((card) => card.kiln.id))];
	const rows = kilnIds.length > 0 ? await db.select().from(kiln).where(inArray(kiln.id, kilnIds)) : [];
	const running = await db.select().from(firing).where(eq(firing.state, "running"));
	const heats = await kilnHeats(db, rows, running, now);
	const firings = cards.map((card) => {
		const heat = heats.get(card.kiln.id) as KilnHeat;
		const opening: OpenNow =
			card.state === "opened"
				? { may: true, why: [], asksDisplay: false }
				: mayOpen(card.openAt ? Date.parse(card.openAt) : null, heat, now.getTime());
		return { ...card, kilnHeat: heat, opening };
	});
	const pictures = await picturesOf(
		db,
		firings.flatMap(({ pieces }) => pieces),
	);
	return {
		pictures,
		firings: firings.sort(
			(a, b) =>
				Number(b.state === "opened") - Number(a.state === "opened") || Number(b.opening.may) - Number(a.opening.may),
		),
	};
};
