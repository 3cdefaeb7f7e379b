import { and, count, eq, inArray, isNull, or, type SQL, sql, sum } from "drizzle-orm";
import type { PgColumn, PgTable } from "drizzle-orm/pg-core";
import type { Transaction } from "../connect";
import {
	classSession,
	course,
	cutRun,
	enrolment,
	firing,
	glass,
	kiln,
	kilnAlarm,
	kilnImport,
	kilnLesson,
	kilnReadingSpan,
	kitDesign,
	kitVersion,
	microwaveRun,
	mould,
	oven,
	piece,
	sample,
	schedule,
	scheduleVersion,
	signUp,
	stockItem,
	stockRecord,
	waitingPlace,
} from "../schema";

/** What can be put away, by the word for it. */
const TABLES = { kit: kitDesign, schedule, kiln, oven, glass, mould, sample, course, stock: stockItem };
type Thing = keyof typeof TABLES;

/** All of them have these. */
type Kept = typeof glass;

/** The row for as long as the transaction lasts: nothing new can refer to it meanwhile. */
export async function lockThing(tx: Transaction, what: Thing, id: string) {
	const table = TABLES[what] as unknown as Kept;
	const [row] = await tx
		.select({ id: table.id, name: nameOf(what, table), retired: table.retired })
		.from(table)
		.where(eq(asText(table.id), id))
		.for("update");
	return row;
}

const nameOf = (what: Thing, table: Kept) => {
	if (what === "course") return course.title;
	if (what === "stock") return sql<string>`coalesce(nullif(${stockItem.name}, ''), ${stockItem.glassId})`;
	return table.name;
};

/** Ids are compared as text: one that is none is only not found. */
const asText = (column: PgColumn): SQL => sql`${column}::text`;

export async function setRetired(tx: Transaction, what: Thing, id: string, retired: boolean): Promise<void> {
	const table = TABLES[what] as unknown as Kept;
	await tx
		.update(table)
		.set({ retired })
		.where(eq(asText(table.id), id));
}

/** What keeps a kiln busy: the number of a firing that is planned or runs; 0 for a microwave run that was not opened. */
export async function busyWith(tx: Transaction, kilnId: string): Promise<number | undefined> {
	const [its] = await tx
		.select({ number: firing.number })
		.from(firing)
		.where(and(eq(firing.kilnId, kilnId), inArray(firing.state, ["planned", "running"])));
	if (its) return its.number;
	const [run] = await tx
		.select({ id: microwaveRun.id })
		.from(microwaveRun)
		.where(and(eq(microwaveRun.blockId, kilnId), isNull(microwaveRun.openedAt)));
	return run && 0;
}

export const endAlarmsOf = (tx: Transaction, kilnId: string, now: Date) =>
	tx
		.update(kilnAlarm)
		.set({ endedAt: now })
		.where(and(eq(kilnAlarm.kilnId, kilnId), isNull(kilnAlarm.endedAt)));

/** How often something refers to it, with a word for one and for several. */
export interface Use {
	n: number;
	one: string;
	several: string;
}

const KITS = { one: "kit", several: "kits" };
const SAMPLES = { one: "sample", several: "samples" };
const FIRINGS = { one: "firing", several: "firings" };

/** Everything that would miss it. */
export async function usesOf(tx: Transaction, what: Thing, id: string): Promise<Use[]> {
	const rows = async (table: PgTable, where: SQL | undefined): Promise<number> => {
		const [row] = await tx.select({ n: count() }).from(table).where(where);
		return row?.n ?? 0;
	};
	switch (what) {
		case "kit": {
			const versions = tx.select({ id: kitVersion.id }).from(kitVersion).where(eq(kitVersion.keptId, id));
			const [issued] = await tx
				.select({ n: sql<number>`coalesce(${sum(kitVersion.issued)}, 0)::int` })
				.from(kitVersion)
				.where(eq(kitVersion.keptId, id));
			return [
				{ n: issued?.n ?? 0, one: "piece issued of it", several: "pieces issued of it" },
				{
					n: await rows(cutRun, inArray(cutRun.kitVersionId, versions)),
					one: "class it is cut for",
					several: "classes it is cut for",
				},
			];
		}
		case "schedule": {
			const versions = tx
				.select({ id: scheduleVersion.id })
				.from(scheduleVersion)
				.where(eq(scheduleVersion.keptId, id));
			return [{ n: await rows(firing, inArray(firing.scheduleVersionId, versions)), ...FIRINGS }];
		}
		case "kiln":
			return [
				{ n: await rows(firing, eq(firing.kilnId, id)), ...FIRINGS },
				{ n: await rows(microwaveRun, eq(microwaveRun.blockId, id)), ...FIRINGS },
				{ n: await rows(sample, eq(sample.kilnId, id)), ...SAMPLES },
				{ n: await rows(kilnImport, eq(kilnImport.kilnId, id)), one: "log of it", several: "logs of it" },
				{ n: await rows(kilnLesson, eq(kilnLesson.kilnId, id)), one: "lesson", several: "lessons" },
				{
					n: await rows(kilnReadingSpan, eq(kilnReadingSpan.kilnId, id)),
					one: "stretch of readings",
					several: "stretches of readings",
				},
			];
		case "oven":
			return [{ n: await rows(microwaveRun, eq(microwaveRun.ovenId, id)), ...FIRINGS }];
		case "glass":
			return inDocuments(rows, (document) =>
				or(
					sql`${document} @? ${`$.**.glassId ? (@ == ${JSON.stringify(id)})`}::jsonpath`,
					sql`${document} @? ${`$.palettes[*].glass.* ? (@ == ${JSON.stringify(id)})`}::jsonpath`,
				),
			);
		case "mould":
			return [
				...(await inDocuments(rows, (document) =>
					or(onRoute(document, id), sql`${document} @? ${`$.frameId ? (@ == ${JSON.stringify(id)})`}::jsonpath`),
				)),
				{
					n: await rows(piece, onRoute(piece.journey, id)),
					one: "piece that goes on it",
					several: "pieces that go on it",
				},
			];
		case "course": {
			const its = tx.select({ id: classSession.id }).from(classSession).where(eq(classSession.courseId, id));
			return [
				{ n: await rows(enrolment, inArray(enrolment.sessionId, its)), one: "place taken", several: "places taken" },
				{ n: await rows(waitingPlace, inArray(waitingPlace.sessionId, its)), one: "who waits", several: "who wait" },
				{ n: await rows(signUp, eq(signUp.courseId, id)), one: "sign-up", several: "sign-ups" },
				{ n: await rows(piece, inArray(piece.sessionId, its)), one: "piece made in it", several: "pieces made in it" },
				{ n: await rows(cutRun, inArray(cutRun.sessionId, its)), one: "cut list", several: "cut lists" },
			];
		}
		case "stock":
			return [
				{ n: await rows(stockRecord, eq(stockRecord.itemId, id)), one: "record of it", several: "records of it" },
				{ n: await rows(stockItem, eq(stockItem.fromItemId, id)), one: "offcut of it", several: "offcuts of it" },
			];
		case "sample":
			return [{ n: await rows(kitDesign, sql`${kitDesign.document}->>'sampleId' = ${id}`), ...KITS }];
	}
}

/** A firing of a kit's or a piece's route that goes on a mould. */
const onRoute = (document: PgColumn, mouldId: string): SQL =>
	sql`${document} @? ${`$.route[*].mouldId ? (@ == ${JSON.stringify(mouldId)})`}::jsonpath`;

/** Drafts of kits, what was issued of them, samples. */
async function inDocuments(
	rows: (table: PgTable, where: SQL | undefined) => Promise<number>,
	names: (document: PgColumn) => SQL | undefined,
): Promise<Use[]> {
	return [
		{ n: await rows(kitDesign, names(kitDesign.document)), ...KITS },
		{
			n: await rows(kitVersion, names(kitVersion.document)),
			one: "version of a kit that was issued",
			several: "versions of kits that were issued",
		},
		{ n: await rows(sample, names(sample.document)), ...SAMPLES },
	];
}

/** Out of the book, with the versions nothing was made of. */
export async function strikeThing(tx: Transaction, what: Thing, id: string): Promise<void> {
	if (what === "kit") await tx.delete(kitVersion).where(eq(kitVersion.keptId, id));
	if (what === "schedule") await tx.delete(scheduleVersion).where(eq(scheduleVersion.keptId, id));
	if (what === "course") await tx.delete(classSession).where(eq(classSession.courseId, id));
	if (what === "kiln") await tx.delete(kilnAlarm).where(eq(kilnAlarm.kilnId, id));
	const table = TABLES[what] as unknown as Kept;
	await tx.delete(table).where(eq(asText(table.id), id));
}
