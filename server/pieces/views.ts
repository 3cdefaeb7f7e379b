import type { PieceBrief, PieceView } from "@contract/pieces";
import { readCode } from "@core/journey/code";
import { lastUndoable, undoneSeqs } from "@core/journey/journey";
import type { Mould } from "@core/kit/mould";
import { SHORT_MM, shortOfMouldMm } from "@core/kit/mould-fit";
import { mouldsFor } from "@core/kit/moulds-for";
import { mouldTrouble } from "@core/loading/mould-problem";
import type { Reader } from "@db/connect";
import { loadMoulds } from "@db/queries/glass";
import { sessionBriefs } from "@db/queries/sessions";
import { loadWaiting } from "@db/queries/waiting";
import { firing, firingPlace, kiln, kitVersion, photo, piece, pieceEvent, user } from "@db/schema";
import { dayOf } from "@formats/time";
import { asc, desc, eq } from "drizzle-orm";
import { Refusal } from "../house/refusal";
import type { View } from "../house/view";
import { briefs } from "./models/briefs";

export const pieceView: View<"piece"> = async (context, params) => {
	const { db, studio, now } = context;
	const code = readCode(params.code) ?? "";
	const [row] = await db.select().from(piece).where(eq(piece.code, code));
	const [brief] = row ? await briefs(context, eq(piece.id, row.id)) : [];
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
	const moulds = await loadMoulds(db);
	return {
		piece: brief,
		history: journal.map(({ event, by }) => ({ event, by, undone: undone.has(event.seq) })),
		photos: photos.map((one) => ({ ...one, takenAt: one.takenAt.toISOString() })),
		firings: firings.map((one) => ({ ...one, startedAt: one.startedAt?.toISOString() ?? null })),
		undoable: lastUndoable(journal.map(({ event }) => event))?.type ?? null,
		collectedBy: row.collectedBy,
		session: sessions.find(({ id }) => id === row.sessionId) ?? null,
		kitId: version?.kitId ?? null,
		moulds: await mouldsThatServe(db, brief, moulds),
		mouldNames: Object.fromEntries(moulds.map(({ id, name }) => [id, name])),
	};
};

/** What a waiting piece may be fired on in the firing that comes next, best fitting first; null where that is on the shelf. */
async function mouldsThatServe(
	db: Reader,
	{ id, state, route, step, level }: PieceBrief,
	moulds: readonly Mould[],
): Promise<PieceView["moulds"]> {
	const now = route[step]?.mouldId;
	if (state !== "queued" || !now) return null;
	const [waiting] = await loadWaiting(db, [id]);
	const own = moulds.filter((one) => one.id === now && !mouldsFor([one], level).length);
	return [...own, ...mouldsFor(moulds, level)]
		.map((one) => {
			const shortMm = waiting ? shortOfMouldMm(one, waiting.body) : 0;
			return {
				...{ id: one.id, name: one.name, trouble: mouldTrouble(one, waiting?.body) ?? null },
				shortMm: shortMm > SHORT_MM ? shortMm : 0,
			};
		})
		.sort((a, b) => Number(a.trouble !== null) - Number(b.trouble !== null) || a.shortMm - b.shortMm);
}
