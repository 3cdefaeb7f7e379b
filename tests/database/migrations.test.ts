import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { type Connection, connect } from "@db/connect";
import { afterAll, beforeAll, expect, it } from "vitest";

/** A book that was begun with an older program is brought on, step by step. */
const STEPS: { tag: string }[] = JSON.parse(readFileSync("db/migrations/meta/_journal.json", "utf8")).entries;

const name = `test_${randomUUID().slice(0, 8)}`;
let admin: Connection;
let book: Connection;
beforeAll(async () => {
	const cluster = process.env.ZEPHYR_TEST_CLUSTER ?? "";
	admin = connect(cluster, 1);
	await admin.sql.unsafe(`create database ${name}`);
	book = connect(cluster.replace(/\/[^/]+$/, `/${name}`), 1);
});
afterAll(async () => {
	await book?.close();
	await admin?.sql.unsafe(`drop database if exists ${name} with (force)`);
	await admin?.close();
});

async function bringOn(from: number, to: number): Promise<void> {
	for (const { tag } of STEPS.slice(from, to))
		for (const statement of readFileSync(`db/migrations/${tag}.sql`, "utf8").split("--> statement-breakpoint"))
			if (statement.trim()) await book.sql.unsafe(statement);
}

/** A row that has something of each column that asks for it. */
async function addRow(table: string, known: Record<string, unknown>): Promise<void> {
	const columns = await book.sql<{ name: string; type: string }[]>`
		select column_name as name, data_type as type from information_schema.columns
		where table_name = ${table} and table_schema = 'public' and is_nullable = 'NO' and column_default is null
			and is_generated = 'NEVER' and is_identity = 'NO'`;
	const some: Record<string, unknown> = {
		text: "",
		jsonb: "{}",
		boolean: false,
		uuid: randomUUID(),
		date: "2031-03-08",
	};
	const row = Object.fromEntries(
		columns.map(({ name: column, type }) => [
			column,
			column in known ? known[column] : type.startsWith("timestamp") ? new Date().toISOString() : (some[type] ?? 1),
		]),
	);
	await book.sql`insert into ${book.sql(table)} ${book.sql({ ...row, ...known } as Record<string, never>)}`;
}

it("a kiln without a line stays without one, and alarms that stand open twice end before there may be only one", async () => {
	await bringOn(0, 3);
	const kilnId = randomUUID();
	await addRow("kiln", { id: kilnId, name: "Old kiln", kind: "electric", door_side: "top" });
	await bringOn(3, 4);
	expect(await book.sql`select line from kiln`).toEqual([{ line: null }]);

	const alarm = (started: string) => ({
		id: randomUUID(),
		kiln_id: kilnId,
		kind: "noReading",
		sentence: JSON.stringify(["It is not heard."]),
		started_at: started,
	});
	const [early, late] = [alarm("2031-03-08T10:00:00Z"), alarm("2031-03-08T11:00:00Z")];
	// Of one firing; nulls would not be the same.
	await book.sql.unsafe("alter table kiln_alarm drop constraint if exists kiln_alarm_firing_id_firing_id_fk");
	const firing_id = randomUUID();
	await addRow("kiln_alarm", { ...early, firing_id });
	await addRow("kiln_alarm", { ...late, firing_id });
	await bringOn(4, 5);
	expect(await book.sql`select id from kiln_alarm where ended_at is null`).toEqual([{ id: late.id }]);
});

it("schedules kept before there were two schools of heating were made by the slower one; a sample loses a finding that is told no more", async () => {
	await bringOn(5, 12);
	const schools = { heat: "usual", soak: "lower", cooling: "usual", dots: "asOthers" };
	const document = JSON.stringify({ name: "Everyday", schools });
	const id = randomUUID();
	await addRow("schedule", { id, document });
	await addRow("schedule_version", { schedule_id: id, document });
	await addRow("sample", {
		id: randomUUID(),
		level: "full",
		document: "{}",
		shows: JSON.stringify(["spreads", "other-level"]),
	});
	await bringOn(12, 13);
	const kept = { ...schools, warmUp: "cautious" };
	expect(await book.sql`select document->'schools' as schools from schedule`).toEqual([{ schools: kept }]);
	expect(await book.sql`select document->'schools' as schools from schedule_version`).toEqual([{ schools: kept }]);
	expect(await book.sql`select shows from sample`).toEqual([{ shows: ["spreads"] }]);
});

it("kits issued before it was written down when were used when they were frozen for it; nothing is put away", async () => {
	const keptId = randomUUID();
	await addRow("kit_design", { id: keptId, document: '{"name":"Old kit"}' });
	const row = { kit_id: keptId, document: '{"name":"Old kit"}', frozen_at: "2031-03-08T10:00:00Z" };
	await addRow("kit_version", { ...row, id: randomUUID(), version: 1, revision: 1, issued: 3 });
	await addRow("kit_version", { ...row, id: randomUUID(), version: 2, revision: 2, issued: 0 });
	await bringOn(13, 14);
	expect(await book.sql`select issued_at from kit_version where kit_id = ${keptId} order by version`).toEqual([
		{ issued_at: "2031-03-08 10:00:00+00" },
		{ issued_at: null },
	]);
	expect(await book.sql`select retired, hours_at from kit_design where id = ${keptId}`).toEqual([
		{ retired: false, hours_at: [] },
	]);
});

it("a studio begun before it had customs of its own does as the trade usually does", async () => {
	await bringOn(14, 15);
	await addRow("studio", { id: 1, name: "Old studio", time_zone: "Europe/Lisbon" });
	await bringOn(15, 16);
	const [row] = await book.sql`select customs from studio`;
	// Common practice, no source: a tenth more and at least two, an hour for white glue, a day for thinned.
	expect(row?.customs).toMatchObject({
		spares: { share: 0.1, least: 2 },
		dryMin: { whiteGlue: 60, thinnedWhiteGlue: 1440 },
		assistantsMay: { load: true, open: true },
		tariff: { kwhMinor: null },
	});
});

it("a book brought on while 0022 was still being written gets what it had not yet, and one that has it stays as it is", async () => {
	await bringOn(16, 23);
	const column = () =>
		book.sql`select 1 as there from information_schema.columns
			where table_name = 'component_lot' and column_name = 'on_family_id'`;
	await bringOn(23, 24);
	expect(await column()).toHaveLength(1);
	await book.sql.unsafe("alter table component_lot drop column on_family_id");
	await book.sql.unsafe("update studio set customs = customs - 'mixFamilies'");
	await bringOn(23, 24);
	expect(await column()).toHaveLength(1);
	expect(await book.sql`select customs->'mixFamilies' as mixes from studio`).toEqual([{ mixes: false }]);
	const keys = await book.sql`select 1 from pg_constraint where conname like 'component_lot_on_family_id%'`;
	expect(keys).toHaveLength(1);
});
