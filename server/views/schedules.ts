import type { ScheduleBrief } from "@contract/views";
import type { PieceToFire } from "@core/firing/demand";
import { newSchedule, type ScheduleDocument } from "@core/firing/document";
import { LEVEL_WORDS } from "@core/firing/level";
import type { Schools } from "@core/firing/schools";
import { FAMILY_90, type GlassFamily } from "@core/glass/family";
import { toFire } from "@core/loading/propose";
import { mainFamily, pieceToFire } from "@core/stack/outlook";
import { stackOf } from "@core/stack/stack";
import type { Reader } from "@db/connect";
import { loadGlass, loadGlassBook, loadMoulds } from "@db/queries/glass";
import { briefs } from "@db/queries/pieces";
import type { Studio } from "@db/queries/studio";
import { loadWaiting } from "@db/queries/waiting";
import { firing, firingPlace, kiln, kitDesign, mould, piece, schedule, scheduleVersion } from "@db/schema";
import { asc, count, desc, eq, inArray, sql } from "drizzle-orm";
import { Refusal } from "../refusal";
import { type View, type ViewContext, when } from "./context";
import { firingCards } from "./firings";
import { kilnCards } from "./kilns";

export const schoolsOf = (studio: Studio): Schools => ({
	heat: studio.heatSchool,
	soak: studio.soakSchool,
	cooling: studio.coolingSchool,
	dots: studio.dotSchool,
});

const isId = (text: string) => /^[0-9a-f-]{36}$/.test(text);

/** Schedules kept under a name, and what a new one could be made for. */
export const schedules: View<"schedules"> = async (context) => {
	const { db, studio } = context;
	const { families } = await loadGlass(db);
	const planned = await db
		.select({ id: firing.id, number: firing.number, kiln: kiln.name, level: firing.level })
		.from(firing)
		.innerJoin(kiln, eq(kiln.id, firing.kilnId))
		.where(eq(firing.state, "planned"))
		.orderBy(asc(firing.number));
	const queued = await briefs(db, eq(piece.state, "queued"), when(context), 100);
	return {
		schedules: await scheduleBriefs(db),
		schools: schoolsOf(studio),
		families,
		kits: await db
			.select({ id: kitDesign.id, name: sql<string>`${kitDesign.document}->>'name'` })
			.from(kitDesign)
			.orderBy(sql`${kitDesign.document}->>'name'`),
		pieces: queued.map(({ code, student, kit, level }) => ({ code, student, kit, level })),
		firings: planned,
	};
};

async function scheduleBriefs(db: Reader, id?: string): Promise<ScheduleBrief[]> {
	const rows = await db
		.select()
		.from(schedule)
		.where(id === undefined ? undefined : eq(schedule.id, id))
		.orderBy(sql`${schedule.document}->>'name'`);
	const versions = await db
		.select({ version: scheduleVersion, firings: count(firing.id) })
		.from(scheduleVersion)
		.leftJoin(firing, eq(firing.scheduleVersionId, scheduleVersion.id))
		.groupBy(scheduleVersion.id)
		.orderBy(desc(scheduleVersion.version));
	return rows.map((row) => ({
		id: row.id,
		revision: row.revision,
		document: row.document,
		versions: versions
			.filter(({ version }) => version.scheduleId === row.id)
			.map(({ version, firings }) => ({
				version: version.version,
				frozenAt: version.frozenAt.toISOString(),
				firings,
				document: version.document,
			})),
	}));
}

/** The bench with one schedule: kept, or made for a kit, a piece or a planned firing. */
export const scheduleBench: View<"schedule"> = async (context, params) => {
	const { db } = context;
	const { families } = await loadGlass(db);
	const kilns = await kilnCards(context);
	const briefed = await scheduleBriefs(db);
	const id = params.get("id") ?? "";
	const kept = briefed.find((one) => one.id === id) ?? null;
	const asked = await askedFor(context, params, families);
	const kilnId = asked.kilnId ?? kilns.find(({ id: one }) => one === params.get("kiln"))?.id ?? kilns[0]?.id ?? null;
	const its = kilns.find((one) => one.id === kilnId);
	const family = asked.family ?? families[0] ?? FAMILY_90;
	const made = newSchedule(asked.name, family, its?.body, asked.pieces, schoolsOf(context.studio));
	return {
		schedule: kept,
		document: kept?.document ?? { ...made, ...asked.change },
		from: kept ? "kept" : asked.from,
		kilnId,
		kilns,
		families,
		moulds: await loadMoulds(db),
		others: briefed.filter((one) => one.id !== id).map(({ id: other, document }) => ({ id: other, document })),
		firing: asked.firing,
	};
};

interface Asked {
	name: string;
	from: string;
	pieces: PieceToFire[] | undefined;
	family: GlassFamily | undefined;
	kilnId: string | null;
	firing: { id: string; number: number; heat: { thicknessMm: number; loadJPerK: number; onMould: boolean } } | null;
	change: Partial<ScheduleDocument>;
}

async function askedFor(context: ViewContext, params: URLSearchParams, families: GlassFamily[]): Promise<Asked> {
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
	const [kitId, code, firingId] = [params.get("kit") ?? "", params.get("piece") ?? "", params.get("firing") ?? ""];
	if (isId(kitId)) {
		const [row] = await db.select().from(kitDesign).where(eq(kitDesign.id, kitId));
		if (!row) throw new Refusal("missing", "This kit is not in the book.");
		const stack = stackOf(row.document, await loadGlassBook(db));
		const one = {
			...pieceToFire(
				stack,
				stack.glass.some(({ fused }) => fused),
			),
			id: row.document.name.slice(0, 60),
		};
		return {
			...nothing,
			name: row.document.name,
			from: `kit ${row.document.name}`,
			pieces: [one],
			family: familyOf(mainFamily(stack)),
		};
	}
	if (code) {
		const [row] = await db
			.select({ id: piece.id, familyId: piece.familyId, journey: piece.journey })
			.from(piece)
			.where(eq(piece.code, code));
		const [waiting] = row ? await loadWaiting(db, [row.id]) : [];
		if (!row || !waiting) throw new Refusal("missing", "This piece is not in the book, or nobody has measured it yet.");
		const mouldMaxC = await mouldLimitOf(db, [row.journey.route[row.journey.step]?.mouldId]);
		return {
			...nothing,
			name: `${code}, ${LEVEL_WORDS[waiting.level]}`,
			from: `piece ${code}`,
			pieces: [{ ...toFire(waiting), id: code }],
			family: familyOf(row.familyId),
			change: { mouldMaxC },
		};
	}
	if (!isId(firingId)) return nothing;
	const [card] = await firingCards(context, eq(firing.id, firingId), 1);
	if (!card) throw new Refusal("missing", "This firing is not in the book.");
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
		pieces:
			waiting.length > 0 ? waiting.map((one) => ({ ...toFire(one), id: codes.get(one.id) ?? one.id })) : undefined,
		family: card.family,
		kilnId: card.kiln.id,
		firing: { id: card.id, number: card.number, heat: card.heat },
		change: { segments: card.schedule.segments, level: card.level, mouldMaxC },
	};
}

/** What the least bearing of some moulds bears, °C; null without one. */
async function mouldLimitOf(db: Reader, ids: readonly (string | null | undefined)[]): Promise<number | null> {
	const known = ids.flatMap((id) => id ?? []);
	if (known.length === 0) return null;
	const rows = await db.select({ maxC: mould.maxC }).from(mould).where(inArray(mould.id, known));
	return rows.length > 0 ? Math.min(...rows.map(({ maxC }) => maxC)) : null;
}
