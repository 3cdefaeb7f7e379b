import type { ViewName } from "@contract/views";
import type { Database } from "@db/connect";
import { sql } from "drizzle-orm";

/** Every station's view, with something to look for. */
export const STATIONS: [ViewName, Record<string, string>][] = [
	["frame", {}],
	["kilnStrip", {}],
	["today", {}],
	["kits", {}],
	["cut", {}],
	["bags", {}],
	["shopping", {}],
	["stock", {}],
	["bench", {}],
	["dry", {}],
	["load", {}],
	["plan", {}],
	["calendar", {}],
	["fire", {}],
	["open", {}],
	["handOver", {}],
	["schedules", {}],
	["schedule", {}],
	["kilns", {}],
	["microwave", {}],
	["find", { q: "Var" }],
];

/** A day and a half of readings every few seconds. */
const ONE_FIRING = 40_000;

/** What a studio has gathered after years, made in the database beside the demo: collected pieces, their events, readings. */
export async function addYears(
	db: Database,
	{ pieces, eventsEach, readings }: { pieces: number; eventsEach: number; readings: number },
): Promise<void> {
	await db.execute(sql`
		insert into piece (code, kind, student_id, session_id, kit_version_id, family_id, promised_day, state, seq, journey, since)
		select 'old' || n, 'student', s.ids[1 + n % array_length(s.ids, 1)], null, p.kit_version_id, p.family_id, p.promised_day, 'collected', ${eventsEach},
			p.journey || '{"state":"collected","firingId":null}'::jsonb, now() - n * interval '4 hours'
		from generate_series(1, ${pieces}) n, lateral (select * from piece order by code limit 1) p, (select array_agg(id) as ids from student) s`);
	await db.execute(sql`
		insert into piece_event (id, piece_id, seq, data, happened_at, recorded_at)
		select gen_random_uuid(), piece.id, 100 + s, '{"type":"noted","note":"made for the budget"}', now(), now()
		from piece, generate_series(1, ${eventsEach}) s where code like 'old%'`);
	await db.execute(sql`
		insert into kiln_reading (kiln_id, at, firing_id, elapsed_s, air_c)
		select k.id, now() - interval '100 days' - n * interval '10 seconds', case when n <= ${ONE_FIRING} then f.id end, n * 10, 400 + 300 * sin(n / 5000.0)
		from generate_series(1, ${readings}) n,
			lateral (select id from kiln order by sort limit 1) k, lateral (select id from firing where number = 7) f`);
	await db.execute(sql`
		insert into kiln_reading_span (kiln_id, at, n, low_c, high_c)
		select kiln_id, to_timestamp(floor(extract(epoch from at) / 600) * 600), count(*), min(air_c), max(air_c)
		from kiln_reading where at < now() - interval '90 days' group by 1, 2 on conflict do nothing`);
	// A record of the stock for every third piece, and offcuts that were cut up long ago.
	await db.execute(sql`
		insert into stock_item (id, kind, glass_id, name, width_mm, height_mm, place, buy_amount, supplier)
		select gen_random_uuid(), 'offcut', 'dusk', 'old' || n, 100, 60, 'bin', 1, '' from generate_series(1, ${Math.ceil(pieces / 60)}) n`);
	await db.execute(sql`
		insert into stock_record (id, item_id, reason, change, at, actor_name, note)
		select gen_random_uuid(), item.id, reason, change, now() - interval '90 days', '', ''
		from stock_item item, (values ('returned', 1), ('taken', -1)) v (reason, change)
		where item.name like 'old%' or item.kind <> 'offcut'`);
	await db.execute(sql`
		insert into stock_record (id, item_id, reason, change, at, actor_name, note)
		select gen_random_uuid(), ids[1 + n % array_length(ids, 1)], 'taken', 0, now() - n * interval '4 hours', '', ''
		from generate_series(1, ${Math.ceil(pieces / 3)}) n, (select array_agg(id) as ids from stock_item where kind <> 'offcut') s`);
	await db.execute(sql`analyze`);
}
