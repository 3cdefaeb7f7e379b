import type { ViewParams } from "@contract/views";
import type { PieceToFire } from "@core/firing/demand";
import type { ScheduleDocument } from "@core/firing/document";
import { LEVEL_WORDS } from "@core/firing/level";
import type { GlassFamily } from "@core/glass/family";
import type { LoadHeat } from "@core/loading/load-heat";
import { toFire } from "@core/piece/to-fire";
import type { Reader } from "@db/connect";
import { loadGlassBook } from "@db/queries/glass";
import { loadKit } from "@db/queries/kits";
import { loadWaiting } from "@db/queries/waiting";
import { firing, firingPlace, mould, piece } from "@db/schema";
import { and, eq, inArray, ne } from "drizzle-orm";
import { firingCards } from "../../firings/models/cards";
import { inPool } from "../../heavy/in-pool";
import { inTheBook, Refusal } from "../../house/refusal";
import type { ViewContext } from "../../house/view";

interface Asked {
	name: string;
	from: string;
	pieces: PieceToFire[] | undefined;
	family: GlassFamily | undefined;
	kilnId: string | null;
	firing: { id: string; number: number; heat: LoadHeat } | null;
	change: Partial<ScheduleDocument>;
}

export async function askedFor(
	context: ViewContext,
	params: ViewParams<"schedule">,
	families: GlassFamily[],
): Promise<Asked> {
	const { db } = context;
	const nothing: Asked = {
		name: "New schedule",
		from: "by hand",
		pieces: undefined,
		family: undefined,
		kilnId: null,
		firing: null,
		change: {},
	};
	const familyOf = (id: string | undefined) => families.find((one) => one.id === id);
	const { kit: kitId, piece: code, firing: firingId } = params;
	if (kitId) {
		const row = inTheBook(await loadKit(db, kitId), "kit");
		const asks = await inPool("kitToFire", { design: row.document, book: await loadGlassBook(db) });
		return {
			...nothing,
			name: row.document.name,
			from: `kit ${row.document.name}`,
			pieces: [{ ...asks.piece, id: row.document.name.slice(0, 60) }],
			family: familyOf(asks.familyId),
		};
	}
	if (code) {
		const [row] = await db
			.select({ id: piece.id, familyId: piece.familyId, journey: piece.journey })
			.from(piece)
			.where(eq(piece.code, code));
		const [waiting] = row ? await loadWaiting(db, [row.id]) : [];
		if (!row || !waiting)
			throw new Refusal("missing", "There is no such piece in this studio, or nobody has measured it yet.");
		const mouldMaxC = await mouldLimitOf(db, [row.journey.route[row.journey.step]?.mouldId]);
		return {
			...nothing,
			name: `${code}, ${LEVEL_WORDS[waiting.level]}`,
			from: `piece ${code}`,
			pieces: [toFire(code, waiting.body)],
			family: familyOf(row.familyId),
			change: { mouldMaxC },
		};
	}
	if (!firingId) return nothing;
	const [card] = await firingCards(context, eq(firing.id, firingId), 1);
	if (!card) throw new Refusal("missing", "There is no such firing in this studio.");
	const lying = await db
		.select({ id: firingPlace.pieceId })
		.from(firingPlace)
		.where(eq(firingPlace.firingId, firingId));
	const waiting = await loadWaiting(
		db,
		lying.map(({ id }) => id),
	);
	const codes = new Map(card.pieces.map((one) => [one.id, `${one.code} ${one.student ?? ""}`.trim().slice(0, 60)]));
	const mouldMaxC = await mouldLimitOf(
		db,
		card.pieces.map(({ route, step }) => route[step]?.mouldId),
	);
	return {
		name: `Firing ${card.number}`,
		from: `firing ${card.number}`,
		pieces: waiting.length > 0 ? waiting.map((one) => toFire(codes.get(one.id) ?? one.id, one.body)) : undefined,
		family: card.family,
		kilnId: card.kiln.id,
		firing: { id: card.id, number: card.number, heat: card.heat },
		change: { segments: card.schedule.segments, level: card.level, mouldMaxC },
	};
}

/** What the least bearing of some moulds bears, °C; null without one. A frame is not fired. */
async function mouldLimitOf(db: Reader, ids: readonly (string | null | undefined)[]): Promise<number | null> {
	const known = ids.flatMap((id) => id ?? []);
	if (known.length === 0) return null;
	const rows = await db
		.select({ maxC: mould.maxC })
		.from(mould)
		.where(and(inArray(mould.id, known), ne(mould.kind, "frame")));
	return rows.length > 0 ? Math.min(...rows.map(({ maxC }) => maxC)) : null;
}
