import type { PieceBrief } from "@contract/views";
import { curveOf } from "@core/firing/schedule";
import { seriesOf } from "@core/kiln/simulate";
import { effectiveOf, simulateLoad } from "@core/loading/propose";
import { traysOf } from "@core/loading/tray";
import { loadGlass } from "@db/queries/glass";
import { picturesOf } from "@db/queries/pictures";
import { briefs } from "@db/queries/pieces";
import { latestReading } from "@db/queries/readings";
import { firing, firingPlace, pickupSpot, piece } from "@db/schema";
import { and, asc, eq, inArray, isNull, or, sql } from "drizzle-orm";
import { mayOpen } from "../may-open";
import { loadKilnOf, planLoad } from "../plan-load";
import { Refusal } from "../refusal";
import { type View, when } from "./context";
import { firingCards } from "./firings";
import { kilnCards } from "./kilns";

export const dry: View<"dry"> = async (context) => ({
	pieces: (
		await briefs(
			context.db,
			and(eq(piece.state, "queued"), sql`${piece.readyFrom} > ${context.now.toISOString()}::timestamptz`),
			when(context),
		)
	).sort((a, b) => (a.readyFrom ?? "").localeCompare(b.readyFrom ?? "")),
});

export const load: View<"load"> = async (context) => {
	const queued = await briefs(context.db, eq(piece.state, "queued"), when(context));
	const { families } = await loadGlass(context.db);
	const isWet = (one: PieceBrief) => one.readyFrom !== null && Date.parse(one.readyFrom) > context.now.getTime();
	const dryOnes = queued.filter((one) => !isWet(one));
	const tested = (one: PieceBrief) => families.find(({ id }) => id === one.familyId)?.tested ?? false;
	const sortable = dryOnes.filter(tested).map((brief) => ({
		brief,
		id: brief.code,
		familyId: brief.familyId,
		level: brief.level,
		effectiveMm: brief.asMade ? effectiveOf(brief.asMade, brief.level, brief.hadLevel ?? undefined) : brief.effectiveMm,
		promised: brief.promisedDay,
	}));
	return {
		trays: traysOf(sortable).map(({ pieces, upToMm, ...tray }) => ({
			...tray,
			upToMm: Number.isFinite(upToMm) ? upToMm : null,
			pieces: pieces.map(({ brief }) => brief),
		})),
		wet: queued.filter(isWet),
		untested: dryOnes.filter((one) => !tested(one)),
		pictures: await picturesOf(context.db, queued),
		kilns: await kilnCards(context),
		families,
	};
};

/** The load these pieces would make; nothing is written. */
export const proposal: View<"proposal"> = async ({ db, studio, now }, params) => {
	const ids = (params.get("pieces") ?? "").split(",").filter(Boolean);
	if (ids.length > 200) throw new Refusal("tooMuch", "At most 200 pieces in one load.");
	const { proposal: planned, kiln, family, pieces } = await planLoad(db, studio, params.get("kiln") ?? "", ids);
	const loaded = pieces.filter(({ id }) => planned.places.some((place) => place.id === id));
	const simulation = simulateLoad(loaded, loadKilnOf(kiln), family, planned.schedule);
	return {
		...planned,
		kilnId: kiln.id,
		openAt: new Date(now.getTime() + planned.openS * 1000).toISOString(),
		plan: curveOf(planned.schedule, kiln.body),
		air: thin([...seriesOf(simulation, "airC")]),
	};
};

const thin = <T>(points: T[], most = 300): T[] => {
	const every = Math.max(1, Math.ceil(points.length / most));
	return points.filter((_, i) => i % every === 0 || i === points.length - 1);
};

export const fire: View<"fire"> = async (context) => ({
	firings: await firingCards(
		context,
		or(inArray(firing.state, ["planned", "running"]), sql`${firing.finishedAt} > now() - interval '30 days'`),
	),
});

export const open: View<"open"> = async (context) => {
	const { db, now } = context;
	const unjudged = db.select({ id: firingPlace.firingId }).from(firingPlace).where(isNull(firingPlace.judgedLevel));
	const cards = await firingCards(
		context,
		or(eq(firing.state, "running"), and(eq(firing.state, "opened"), inArray(firing.id, unjudged))),
	);
	const firings = await Promise.all(
		cards.map(async (card) => {
			const reading = await latestReading(db, card.kiln.id);
			const opening =
				card.state === "opened"
					? { may: true, why: "" }
					: mayOpen(
							{ ...card, startedAt: card.startedAt ? new Date(card.startedAt) : null },
							reading,
							now,
							card.kiln.line !== null,
						);
			return { ...card, airC: reading?.airC ?? null, mayOpen: opening.may, whyNot: opening.why };
		}),
	);
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

export const handOver: View<"handOver"> = async (context) => {
	const { db } = context;
	const coldWork = await briefs(db, eq(piece.state, "coldWork"), when(context));
	const ready = await briefs(db, eq(piece.state, "ready"), when(context));
	const spots = await db.select().from(pickupSpot).orderBy(asc(pickupSpot.sort));
	return {
		coldWork,
		ready: ready.filter(({ spot }) => spot === null),
		spots: spots.map(({ label }) => ({ label, pieces: ready.filter(({ spot }) => spot === label) })),
	};
};
