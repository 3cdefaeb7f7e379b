import { newSchedule, PLAIN_PIECE } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { simulateFiring } from "@core/kiln/simulate";
import { kilnRecord } from "@db/queries/readings";
import { kiln } from "@db/schema";
import { sql } from "drizzle-orm";
import { onThrowAwayStudio } from "./benchmark-studio";

/** How long a simulated firing takes, and how long a kiln's record of four million readings takes to open. */

const READINGS = 4_000_000;
const EVERY_S = 10;
const DAYS = [1, 30, 182, 365];

async function best(of: number, run: () => unknown): Promise<number> {
	let least = Number.POSITIVE_INFINITY;
	for (let i = 0; i < of; i++) {
		const from = performance.now();
		await run();
		least = Math.min(least, performance.now() - from);
	}
	return least;
}

export async function simulationRows(): Promise<string[]> {
	const rows: string[] = [];
	for (const thicknessMm of [3, 6, 12, 25]) {
		const piece = { ...PLAIN_PIECE, thickestMm: thicknessMm, effectiveMm: thicknessMm };
		const schedule = newSchedule("benchmark", FAMILY_90, DEFAULT_KILN, [piece]);
		const run = () => simulateFiring({ kiln: DEFAULT_KILN, schedule, family: FAMILY_90, thicknessMm });
		const hours = run().openS / 3600;
		const ms = await best(15, run);
		rows.push(`| ${thicknessMm} mm | ${hours.toFixed(1)} | ${ms.toFixed(1)} | ${((ms * 24) / hours).toFixed(1)} |`);
	}
	return rows;
}

/** In a throw-away database of its own: one kiln's year of readings, 10 s apart, all as one record. */
export async function recordRows(): Promise<string[]> {
	return onThrowAwayStudio(async (db) => {
		const [row] = await db.select({ id: kiln.id }).from(kiln).limit(1);
		const kilnId = row?.id ?? "";
		await db.execute(sql`
			insert into kiln_reading (kiln_id, at, air_c)
			select ${kilnId}, now() - interval '200 days' - n * ${EVERY_S} * interval '1 second', 300 + 280 * sin(n / 4000.0)
			from generate_series(1, ${READINGS}::int) n on conflict do nothing`);
		await db.execute(sql`
			insert into kiln_reading_span (kiln_id, at, n, low_c, high_c)
			select kiln_id, to_timestamp(floor(extract(epoch from at) / 600) * 600), count(*), min(air_c), max(air_c)
			from kiln_reading group by 1, 2 on conflict do nothing`);
		await db.execute(sql`analyze`);
		const to = new Date(Date.now() - 205 * 86_400_000);
		const rows: string[] = [];
		for (const days of DAYS) {
			const from = new Date(to.getTime() - days * 86_400_000);
			const points = (await kilnRecord(db, kilnId, from, to)).length;
			const ms = await best(5, () => kilnRecord(db, kilnId, from, to));
			rows.push(
				`| ${days} | ${Math.round((days * 86_400) / EVERY_S).toLocaleString("en")} | ${points} | ${ms.toFixed(0)} |`,
			);
		}
		return rows;
	});
}
