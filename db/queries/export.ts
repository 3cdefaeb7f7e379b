import { getTableColumns, getTableName } from "drizzle-orm";
import { getTableConfig, type PgTable } from "drizzle-orm/pg-core";
import type { Sql } from "postgres";
import * as tables from "../schema";

/**
 * What a studio may take away of its book, and which columns of it stay: secrets, pictures (they come as files) and what only
 * the program needs. A table that is named nowhere stays at home: tests hold this list against the schema.
 */
const EXPORTED: readonly (readonly [PgTable, readonly string[]])[] = [
	[tables.studio, ["calendarKey"]],
	[tables.user, ["demoPassword", "demoHash", "image", "emailVerified"]],
	[tables.student, []],
	[tables.glassFamily, []],
	[tables.glass, []],
	[tables.mould, []],
	[tables.sample, ["picture"]],
	[tables.kitDesign, []],
	[tables.kitVersion, []],
	[tables.schedule, []],
	[tables.scheduleVersion, []],
	[tables.course, ["signUpKey"]],
	[tables.courseKit, []],
	[tables.classSession, []],
	[tables.enrolment, []],
	[tables.waitingPlace, []],
	[tables.signUp, []],
	[tables.cutRun, []],
	[tables.cutTick, []],
	[tables.cutEvent, []],
	[tables.cutPlan, []],
	[tables.cutPlanRun, []],
	[tables.stockItem, []],
	[tables.stockRecord, []],
	[tables.componentLot, []],
	[tables.kitBag, []],
	[tables.kitBagLine, []],
	[tables.piece, []],
	[tables.pieceEvent, []],
	[tables.photo, ["image", "thumbnail"]],
	[tables.pickupSpot, []],
	[tables.kiln, []],
	[tables.kilnLesson, []],
	[tables.kilnAlarm, []],
	[tables.kilnImport, []],
	[tables.displayReading, []],
	[tables.firing, []],
	[tables.firingPlace, []],
	[tables.firingNote, []],
	[tables.oven, []],
	[tables.microwaveRun, []],
	[tables.audit, []],
	[tables.kilnReading, []],
];

/** Doors, tries, the house's own notes, and readings thinned from others. */
export const NOT_EXPORTED: readonly PgTable[] = [
	tables.session,
	tables.account,
	tables.verification,
	tables.secondFactor,
	tables.invitation,
	tables.attempt,
	tables.heartbeat,
	tables.kilnLease,
	tables.kilnReadingSpan,
];

export interface ExportedTable {
	name: string;
	columns: string[];
	/** Batches of rows, in no more memory than one. */
	batches(): AsyncIterable<Record<string, unknown>[]>;
}

const BATCH = 500;

/** All tables as they are at one moment: nothing that changes meanwhile is seen by half. */
export async function withExport<T>(
	sql: Sql,
	work: (all: ExportedTable[], pictures: Pictures) => Promise<T>,
): Promise<T> {
	const one = await sql.reserve();
	try {
		await one.unsafe("begin isolation level repeatable read read only");
		await one.unsafe("set local idle_in_transaction_session_timeout = '10min'");
		const all = EXPORTED.map(([table, without]) => exported(one, table, without));
		const result = await work(
			all,
			() =>
				one.unsafe(`select id, image from ${quoted(getTableName(tables.photo))}`).cursor(8) as AsyncIterable<
					{ id: string; image: Uint8Array }[]
				>,
		);
		await one.unsafe("commit");
		return result;
	} catch (error) {
		await one.unsafe("rollback").catch(() => {});
		throw error;
	} finally {
		one.release();
	}
}

/** Photos as they are kept, a few at a time. */
type Pictures = () => AsyncIterable<{ id: string; image: Uint8Array }[]>;

function exported(sql: Sql, table: PgTable, without: readonly string[]): ExportedTable {
	const name = getTableName(table);
	const kept = Object.entries(getTableColumns(table)).flatMap(([key, column]) =>
		without.includes(key) ? [] : [column],
	);
	const list = kept.map((column) =>
		column.getSQLType().startsWith("timestamp") ? iso(column.name) : quoted(column.name),
	);
	const columns = kept.map((column) => column.name);
	return {
		name,
		columns,
		batches: () =>
			sql.unsafe(`select ${list.join(", ")} from ${quoted(name)} order by ${orderOf(table)}`).cursor(BATCH),
	};
}

/** By its primary key: the same book is written the same way. */
const orderOf = (table: PgTable): string => {
	const { columns, primaryKeys } = getTableConfig(table);
	const key = primaryKeys.flatMap((one) => one.columns.map(({ name }) => name));
	const own = columns.filter(({ primary }) => primary).map(({ name }) => name);
	return [...key, ...own].map(quoted).join(", ");
};

/** An instant by ISO 8601. */
const iso = (name: string): string =>
	`to_char(${quoted(name)} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as ${quoted(name)}`;

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

export const EXPORTED_TABLES: readonly PgTable[] = EXPORTED.map(([table]) => table);
