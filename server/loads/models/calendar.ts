import type { CalendarFiring } from "@contract/loads";
import { curveOf, scheduleHours } from "@core/firing/schedule";
import type { Span } from "@core/loading/plan/book";
import { SLACK_MIN, TURNOVER_MIN } from "@core/loading/plan/decode";
import { nextIn } from "@core/loading/plan/spans";
import type { Reader } from "@db/connect";
import { activeFirings, duesOfActive, type FiringRow, mouldsOfActive } from "@db/queries/firings";
import { type KilnRow, loadKilns } from "@db/queries/kilns";
import { endOfDayMs } from "@formats/wall-clock";
import { openInstant } from "../../firings/models/open-instant";

const MINUTE = 60_000;

/** Firings that run or are announced, each with its hours: dated ones at theirs, the others as soon as their kiln is free. */
export async function calendarFirings(
	reader: Reader,
	now: Date,
	there: readonly Span[],
	timeZone: string,
): Promise<CalendarFiring[]> {
	const [rows, kilns, dues] = [await activeFirings(reader), await loadKilns(reader), await duesOfActive(reader)];
	const moulds = await mouldsOfActive(reader);
	const mouldsOf = (id: string) =>
		Object.fromEntries(
			moulds.flatMap(({ firingId, mouldId, n }) => (firingId === id && mouldId ? [[mouldId, n]] : [])),
		);
	const duesOf = (id: string) =>
		dues
			.filter(({ firingId }) => firingId === id)
			.map(({ code, promisedDay }) => ({ code, promisedMs: endOfDayMs(promisedDay ?? "", timeZone) }));
	return kilns.flatMap((kiln) =>
		calendarOf(
			kiln,
			rows
				.filter(({ kilnId }) => kilnId === kiln.id)
				.map((row) => ({ ...row, dues: duesOf(row.id), moulds: mouldsOf(row.id) })),
			now,
			there,
		),
	);
}

type Active = FiringRow & Pick<CalendarFiring, "pieces" | "dues" | "moulds">;

function calendarOf(kiln: KilnRow, rows: readonly Active[], now: Date, there: readonly Span[]): CalendarFiring[] {
	const order = (row: Active) =>
		row.state === "running" ? 0 : row.startsAt ? row.startsAt.getTime() : now.getTime() + row.number;
	let free = now.getTime();
	return [...rows]
		.sort((a, b) => order(a) - order(b))
		.map((row) => {
			// One whose hour is past and that nobody started is late: it begins now at the soonest.
			const start = row.startedAt?.getTime() ?? Math.max(row.startsAt?.getTime() ?? free, now.getTime());
			const its = calendarFiring(row, kiln, start, there);
			free = Math.max(free, its.to);
			return its;
		});
}

function calendarFiring(row: Active, kiln: KilnRow, from: number, there: readonly Span[]): CalendarFiring {
	const speed = row.state === "running" ? row.speedUp : 1;
	const after = (s: number) => from + (s * 1000) / speed;
	const { segments } = row.schedule;
	const endOf = (name: string) => {
		const i = segments.findLastIndex((one) => one.name === name);
		return after(i < 0 ? 0 : (curveOf({ segments: segments.slice(0, i + 1) }, kiln.body).at(-1)?.s ?? 0));
	};
	const coolMs = openInstant(row)?.getTime() ?? after(row.openS);
	const opened = nextIn(there, coolMs + (row.state === "running" ? 0 : SLACK_MIN * MINUTE));
	return {
		...{ id: row.id, number: row.number, kilnId: row.kilnId, level: row.level, familyId: row.familyId },
		...{ pieces: row.pieces, dues: row.dues, moulds: row.moulds, what: row.what, isDated: row.startsAt !== null },
		state: row.state === "running" ? "running" : "planned",
		from,
		to: (Number.isFinite(opened) ? opened : coolMs) + TURNOVER_MIN * MINUTE,
		peakMs: endOf("peak"),
		soakMs: endOf("drop"),
		doneMs: after(scheduleHours(row.schedule, kiln.body) * 3600),
		coolMs,
	};
}
