import { readCode } from "@core/journey/code";
import { lastUndoable, undoneSeqs } from "@core/journey/journey";
import { briefs } from "@db/queries/pieces";
import { sessionBriefs } from "@db/queries/sessions";
import { firing, firingPlace, kiln, kitVersion, photo, piece, pieceEvent, user } from "@db/schema";
import { dayOf } from "@formats/time";
import { asc, desc, eq } from "drizzle-orm";
import { Refusal } from "../house/refusal";
import { type View, when } from "../house/view";

export const pieceView: View<"piece"> = async (context, params) => {
	const { db, studio, now } = context;
	const code = readCode(params.code) ?? "";
	const [row] = await db.select().from(piece).where(eq(piece.code, code));
	const [brief] = row ? await briefs(db, eq(piece.id, row.id), when(context)) : [];
	if (!row || !brief) throw new Refusal("missing", `There is no piece ${params.code} in the book.`);
	const events = await db
		.select({ event: pieceEvent, by: user.name })
		.from(pieceEvent)
		.leftJoin(user, eq(user.id, pieceEvent.actorId))
		.where(eq(pieceEvent.pieceId, row.id))
		.orderBy(asc(pieceEvent.seq));
	const journal = events.map(({ event, by }) => ({
		event: { ...event.data, seq: event.seq, at: event.happenedAt.toISOString() },
		by: event.actorName ?? by,
	}));
	const undone = undoneSeqs(journal.map(({ event }) => event));
	const photos = await db
		.select({ id: photo.id, widthPx: photo.widthPx, heightPx: photo.heightPx, takenAt: photo.takenAt })
		.from(photo)
		.where(eq(photo.pieceId, row.id))
		.orderBy(desc(photo.takenAt));
	const firings = await db
		.select({
			id: firing.id,
			number: firing.number,
			kiln: kiln.name,
			level: firing.level,
			startedAt: firing.startedAt,
			judgedLevel: firingPlace.judgedLevel,
		})
		.from(firingPlace)
		.innerJoin(firing, eq(firing.id, firingPlace.firingId))
		.innerJoin(kiln, eq(kiln.id, firing.kilnId))
		.where(eq(firingPlace.pieceId, row.id))
		.orderBy(asc(firing.number));
	const sessions = row.sessionId ? await sessionBriefs(db, dayOf(now, studio.timeZone)) : [];
	const [version] = row.kitVersionId
		? await db.select({ kitId: kitVersion.keptId }).from(kitVersion).where(eq(kitVersion.id, row.kitVersionId))
		: [];
	return {
		piece: brief,
		history: journal.map(({ event, by }) => ({ event, by, undone: undone.has(event.seq) })),
		photos: photos.map((one) => ({ ...one, takenAt: one.takenAt.toISOString() })),
		firings: firings.map((one) => ({ ...one, startedAt: one.startedAt?.toISOString() ?? null })),
		undoable: lastUndoable(journal.map(({ event }) => event))?.type ?? null,
		collectedBy: row.collectedBy,
		session: sessions.find(({ id }) => id === row.sessionId) ?? null,
		kitId: version?.kitId ?? null,
	};
};
