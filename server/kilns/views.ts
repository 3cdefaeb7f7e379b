import type { KilnForm } from "@contract/documents/kiln";
import type { KilnFiring } from "@contract/kilns";
import type { KilnHeat } from "@core/kiln/heat";
import { countsOf, upkeepDue } from "@core/kiln/record";
import { activeFirings, firingOf, lastStarts } from "@db/queries/firings";
import { type KilnRow, loadAllKilns, loadKiln } from "@db/queries/kilns";
import { importsOf, kilnRecord, latestLive } from "@db/queries/readings";
import { firing, firingPlace, kilnAlarm, kilnLesson, kilnReadingSpan, user } from "@db/schema";
import { readRecorded } from "@formats/recorder-line";
import { and, desc, eq, inArray, max, min, ne } from "drizzle-orm";
import { confirmedForm } from "../devices/kiln-line";
import { logFolder, newestLog } from "../devices/log-files";
import { inTheBook, Refusal } from "../house/refusal";
import type { View, ViewContext } from "../house/view";
import { alarmBriefs } from "./models/alarms";
import { briefReading } from "./models/brief-reading";
import { kilnCard } from "./models/cards";
import { kilnCells } from "./models/cells";
import { kilnHeats } from "./models/heat";
import { kilnImport } from "./models/kiln-import";
import { bodyAfter, learnedFrom, offsetFor } from "./models/lessons";
import { guessedForm, headerOf, isConfirmed, linesOf } from "./models/recorder";

const kilnRow = async ({ db }: ViewContext, id: string) => inTheBook(await loadKiln(db, id), "kiln");

/** What a person types of a kiln; what is counted and learned stands beside it. */
function formOf(row: KilnRow): KilnForm {
	const {
		uses: _,
		sort: __,
		revision: ___,
		retired: _____,
		outOfService: ______,
		body,
		elements,
		upkeep,
		shelves,
		recorder: _______,
		...form
	} = row;
	const { offsetK: ____, ...typedBody } = body;
	return {
		...form,
		body: typedBody,
		elements: { fittedOn: elements.fittedOn, dueFirings: elements.dueFirings },
		upkeep: upkeep.map(({ what, everyFirings }) => ({ what, everyFirings })),
		shelves: shelves.map(({ name, release }) => ({ name, release })),
	};
}

/** A kiln's page is its record: every firing, what was expected, what came, and what that taught. */
export const kilnPage: View<"kiln"> = async (context, params) => {
	const { db, now, role } = context;
	const row = await kilnRow(context, params.id);
	const { uses, revision } = row;
	const [busy] = await db
		.select()
		.from(firing)
		.where(and(eq(firing.kilnId, row.id), inArray(firing.state, ["planned", "running"])));
	const [range] = await db
		.select({ from: min(kilnReadingSpan.at), to: max(kilnReadingSpan.at) })
		.from(kilnReadingSpan)
		.where(eq(kilnReadingSpan.kilnId, row.id));
	return {
		form: role === "instructor" ? formOf(row) : { ...formOf(row), line: null },
		revision,
		counts: countsOf(row),
		uses,
		retired: row.retired,
		card: kilnCard(row, busy, context),
		upkeep: upkeepDue(row.upkeep, row.elements),
		firings: await firingsOf(context, row.id),
		lessons: await lessonsOf(context, row.id),
		offset: (await offsetFor(db, row)) ?? null,
		imports: (await importsOf(db, row.id)).map((one) => kilnImport(one, now)),
		record: range?.from && range.to ? { from: range.from.toISOString(), to: range.to.toISOString() } : null,
		alarms: await alarmBriefs(db, eq(kilnAlarm.kilnId, row.id), 10),
		logFolder: row.line?.driver === "folder" ? `logs/${logFolder(row.line.folder).split("/").at(-1)}` : "",
	};
};

export const kilnNow: View<"kilnNow"> = async ({ db, now }, { id }) => {
	const latest = await latestLive(db, id, now);
	const row = inTheBook(await loadKiln(db, id), "kiln");
	const running = await firingOf(db, id, "running");
	const heat = (await kilnHeats(db, [row], running ? [running] : [], now)).get(id) as KilnHeat;
	return { latest: latest ? briefReading(latest) : null, heat };
};

/** What a recorder writes now, for a person who confirms what it means. */
export const recorder: View<"recorder"> = async (context, { id }) => {
	const row = await kilnRow(context, id);
	if (row.line?.driver !== "folder") throw new Refusal("conflict", `${row.name} has no recorder that writes files.`);
	const { studio, now, db } = context;
	const log = await newestLog(row.line.folder);
	const kept = confirmedForm(row);
	const [person] = kept ? await db.select({ name: user.name }).from(user).where(eq(user.id, kept.byId)) : [];
	const read =
		log && kept && readRecorded(log.tail, kept.form, studio.timeZone, { foreign: !isConfirmed(log, kept.form) });
	return {
		file: log?.name ?? null,
		header: log ? headerOf(log) : null,
		tail: log ? linesOf(log) : "",
		form: log ? guessedForm(log, now.getTime()) : null,
		confirmed: kept ? { form: kept.form, at: kept.at, by: person?.name ?? "" } : null,
		misfit: read ? read.misfit : null,
	};
};

/** All kilns, with what each needs next. */
export const kilnStrip: View<"kilnStrip"> = async (context) => ({ kilns: await kilnCells(context) });

export const kilnList: View<"kilns"> = async (context) => {
	const { db } = context;
	const [rows, last, busy] = await Promise.all([loadAllKilns(db), lastStarts(db), activeFirings(db)]);
	return {
		kilns: rows.map((row) => ({
			form: context.role === "instructor" ? formOf(row) : null,
			revision: row.revision,
			id: row.id,
			name: row.name,
			kind: row.kind,
			retired: row.retired,
			card: kilnCard(
				row,
				busy.find(({ kilnId }) => kilnId === row.id),
				context,
			),
			uses: row.uses,
			upkeep: row.kind === "electric" ? (upkeepDue(row.upkeep, row.elements)[0] ?? null) : null,
			elements: row.elements,
			lastFired: last.get(row.id)?.toISOString() ?? null,
		})),
	};
};

async function firingsOf({ db }: ViewContext, kilnId: string, most = 300): Promise<KilnFiring[]> {
	const rows = await db
		.select()
		.from(firing)
		.where(and(eq(firing.kilnId, kilnId), ne(firing.state, "cancelled")))
		.orderBy(desc(firing.number))
		.limit(most);
	const places =
		rows.length > 0
			? await db
					.select({ firingId: firingPlace.firingId, judged: firingPlace.judgedLevel })
					.from(firingPlace)
					.where(
						inArray(
							firingPlace.firingId,
							rows.map(({ id }) => id),
						),
					)
			: [];
	return rows.map((row) => {
		const its = places.filter(({ firingId }) => firingId === row.id);
		const levels = [...new Set(its.flatMap(({ judged }) => judged ?? []))];
		return {
			id: row.id,
			number: row.number,
			state: row.state,
			startedAt: row.startedAt?.toISOString() ?? null,
			level: row.level,
			pieces: its.length,
			what: row.what,
			expected: { flow: row.flow, openS: row.openS, kwh: row.kwh },
			came: row.came,
			judged: levels.map((level) => ({ level, pieces: its.filter(({ judged }) => judged === level).length })),
			note: row.note,
		};
	});
}

async function lessonsOf({ db }: ViewContext, kilnId: string) {
	const rows = await db
		.select({ lesson: kilnLesson, by: user.name })
		.from(kilnLesson)
		.leftJoin(user, eq(user.id, kilnLesson.actorId))
		.where(eq(kilnLesson.kilnId, kilnId))
		.orderBy(desc(kilnLesson.at))
		.limit(20);
	return rows.map(({ lesson: { id, at, what, before, after, because }, by }) => ({
		id,
		at: at.toISOString(),
		what,
		before,
		after,
		because,
		by,
	}));
}

const DAY_MS = 86_400_000;

const instantOr = (text: string | undefined, otherMs: number) => new Date(text ? Date.parse(text) : otherMs);

/** A kiln's record between two instants, thinned to what a screen can show. */
export const kilnRecordView: View<"kilnRecord"> = async (context, params) => {
	const row = await kilnRow(context, params.id);
	const to = instantOr(params.to, context.now.getTime());
	const from = instantOr(params.from, to.getTime() - 30 * DAY_MS);
	if (to <= from) throw new Refusal("invalid", "The record ends before it begins.");
	return {
		points: await kilnRecord(context.db, row.id, from, to),
		from: from.toISOString(),
		to: to.toISOString(),
	};
};

/** What a stretch of the record would teach about the kiln; nothing is changed by looking. */
export const lesson: View<"kilnLesson"> = async (context, params) => {
	const row = await kilnRow(context, params.id);
	const to = instantOr(params.to, context.now.getTime());
	const from = instantOr(params.from, to.getTime() - DAY_MS);
	const learned = await learnedFrom(context.db, row, from, to);
	return {
		learned,
		before: row.body,
		after: bodyAfter(row, learned) ?? null,
		from: from.toISOString(),
		to: to.toISOString(),
	};
};
