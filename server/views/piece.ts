import type { FoundThing } from "@contract/views";
import { readCode } from "@core/journey/code";
import { lastUndoable, undoneSeqs } from "@core/journey/journey";
import { briefs } from "@db/queries/pieces";
import { sessionBriefs } from "@db/queries/sessions";
import {
	firing,
	firingPlace,
	glass,
	kiln,
	kitDesign,
	kitVersion,
	photo,
	piece,
	pieceEvent,
	student,
	user,
} from "@db/schema";
import { dayOf } from "@formats/time";
import { asc, desc, eq, ilike, inArray, or } from "drizzle-orm";
import QRCode from "qrcode";
import { Refusal } from "../refusal";
import { type View, when } from "./context";

export const pieceView: View<"piece"> = async (context, params) => {
	const { db, studio, now } = context;
	const code = readCode(params.get("code") ?? "") ?? "";
	const [row] = await db.select().from(piece).where(eq(piece.code, code));
	const [brief] = row ? await briefs(db, eq(piece.id, row.id), when(context)) : [];
	if (!row || !brief) throw new Refusal("missing", `There is no piece ${params.get("code") ?? ""} in the book.`);
	const events = await db
		.select({ event: pieceEvent, by: user.name })
		.from(pieceEvent)
		.leftJoin(user, eq(user.id, pieceEvent.actorId))
		.where(eq(pieceEvent.pieceId, row.id))
		.orderBy(asc(pieceEvent.seq));
	const journal = events.map(({ event, by }) => ({
		event: { ...event.data, seq: event.seq, at: event.happenedAt.toISOString() },
		by,
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
		? await db.select({ kitId: kitVersion.kitId }).from(kitVersion).where(eq(kitVersion.id, row.kitVersionId))
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

/** Anything by a few letters: a whole code goes straight to its piece. */
export const find: View<"find"> = async ({ db }, params) => {
	const text = (params.get("q") ?? "").trim().slice(0, 60);
	if (text.length < 2) return { exact: null, found: [] };
	const code = readCode(text);
	const [hit] = code ? await db.select({ code: piece.code }).from(piece).where(eq(piece.code, code)) : [];
	const like = `%${text.replace(/[\\%_]/g, "\\$&")}%`;
	const pieces = await db
		.select({ code: piece.code, student: student.name, state: piece.state })
		.from(piece)
		.leftJoin(student, eq(student.id, piece.studentId))
		.where(or(ilike(piece.code, like), ilike(student.name, like)))
		.orderBy(desc(piece.since))
		.limit(8);
	const kits = (await db.select().from(kitDesign)).filter(({ document }) =>
		document.name.toLowerCase().includes(text.toLowerCase()),
	);
	const glasses = await db.select().from(glass).where(ilike(glass.name, like)).limit(5);
	const kilns = await db.select().from(kiln).where(ilike(kiln.name, like)).limit(5);
	const found: FoundThing[] = [
		...pieces.map((one) => ({
			kind: "piece" as const,
			label: one.code,
			detail: one.student ?? "",
			href: `/piece/${one.code}`,
		})),
		...kits
			.slice(0, 5)
			.map(({ id, document }) => ({ kind: "kit" as const, label: document.name, detail: "kit", href: `/kits/${id}` })),
		...glasses.map((one) => ({
			kind: "glass" as const,
			label: one.name,
			detail: `family ${one.familyId}, ${one.thicknessMm} mm`,
			href: "/kits",
		})),
		...kilns.map((one) => ({ kind: "kiln" as const, label: one.name, detail: "kiln", href: `/fire/kilns/${one.id}` })),
	];
	return { exact: hit?.code ?? null, found };
};

export const labels: View<"labels"> = async (context, params) => {
	const codes = (params.get("codes") ?? "")
		.split(",")
		.flatMap((text) => readCode(text) ?? [])
		.slice(0, 60);
	const pieces = codes.length > 0 ? await briefs(context.db, inArray(piece.code, codes), when(context)) : [];
	return {
		labels: pieces
			.sort((a, b) => codes.indexOf(a.code) - codes.indexOf(b.code))
			.map(({ code, student: name, kit, stackCode }) => ({ code, student: name, kit, stackCode, ...qrOf(code) })),
	};
};

/** A QR code as one path of unit squares, with the quiet zone of four modules (ISO/IEC 18004). */
function qrOf(text: string): { qrPath: string; qrSize: number } {
	const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
	let qrPath = "";
	for (let y = 0; y < modules.size; y++)
		for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) qrPath += `M${x + 4} ${y + 4}h1v1h-1z`;
	return { qrPath, qrSize: modules.size + 8 };
}
