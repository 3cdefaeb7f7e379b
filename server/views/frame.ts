import type { Station, StationCount } from "@contract/views";
import { cutListOf } from "@core/cutting/count";
import { cutsOf } from "@core/kit/kit";
import { briefs, withTheStudio } from "@db/queries/pieces";
import { chooseSession, sessionBriefs } from "@db/queries/sessions";
import { cutRun, cutTick, firing, firingPlace, kitDesign, kitVersion } from "@db/schema";
import { clockNear, dayOf } from "@formats/time";
import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import { alarmBriefs, openOrUnseen } from "./alarms";
import { type View, type ViewContext, when } from "./context";
import { kilnCells } from "./kilns";

export const frame: View<"frame"> = async (context) => {
	const { studio, actor, now } = context;
	const kilns = await kilnCells(context);
	return {
		studio: studio.name,
		timeZone: studio.timeZone,
		now: now.toISOString(),
		person: { name: actor.name, role: actor.role },
		clearanceMm: studio.clearanceMm,
		stations: await stationCounts(context, kilns),
		kilns,
		alarms: await alarmBriefs(context.db, openOrUnseen()),
	};
};

async function stationCounts(
	context: ViewContext,
	kilns: Awaited<ReturnType<typeof kilnCells>>,
): Promise<Record<Station, StationCount>> {
	const { db, studio, now } = context;
	const zone = studio.timeZone;
	const pieces = await briefs(db, withTheStudio(), when(context));
	const late = (some: typeof pieces) => some.filter(({ promise }) => promise === "late").length;
	const queued = pieces.filter(({ state }) => state === "queued");
	const wet = queued.filter(({ readyFrom }) => readyFrom !== null && Date.parse(readyFrom) > now.getTime());
	const waiting = queued.filter((one) => !wet.includes(one));
	const issued = pieces.filter(({ state }) => state === "issued");
	const inHand = pieces.filter(({ state }) => state === "ready" || state === "coldWork");
	const ready = inHand.filter(({ state }) => state === "ready");
	const [kits] = await db.select({ n: sql<number>`count(*)::int` }).from(kitDesign);
	const today = dayOf(now, zone);
	const session = chooseSession(await sessionBriefs(db, today), null, today);
	const cutsLeft = session ? await cutsToDo(context, session.id) : 0;
	const [unjudged] = await db
		.select({ n: sql<number>`count(*)::int` })
		.from(firingPlace)
		.innerJoin(firing, eq(firing.id, firingPlace.firingId))
		.where(and(eq(firing.state, "opened"), isNull(firingPlace.judgedLevel)));
	const running = kilns.filter(({ state }) => state === "running" || state === "cooling");
	const planned = kilns.filter(({ state }) => state === "planned");
	const canOpen = kilns.filter(({ state }) => state === "canOpen");
	const opens = running.flatMap(({ firing: its }) => its?.openAt ?? []).sort()[0];
	const lastDry = wet
		.map(({ readyFrom }) => readyFrom ?? "")
		.sort()
		.at(-1);
	const at = (instant: string) => clockNear(instant, now, zone);
	const openCount = (unjudged?.n ?? 0) + canOpen.reduce((sum, { firing: its }) => sum + (its?.pieces ?? 0), 0);
	return {
		kits: { count: kits?.n ?? 0, late: 0, line: kits?.n === 1 ? "kit" : "kits" },
		cut: { count: cutsLeft, late: 0, line: cutsLeft > 0 ? "cuts to do" : "all cut" },
		bench: {
			count: issued.length,
			late: late(issued),
			line: session?.isToday ? `class at ${session.startsAt}` : "in hand",
		},
		dry: { count: wet.length, late: late(wet), line: lastDry ? `to ${at(lastDry)}` : "none wet" },
		load: { count: waiting.length, late: late(waiting), line: "waiting" },
		fire: {
			count: running.length + planned.length,
			late: 0,
			line: running.length > 0 ? `${running.length} hot` : planned.length > 0 ? "to start" : "idle",
		},
		open: { count: openCount, late: 0, line: openCount > 0 ? "to judge" : opens ? `at ${at(opens)}` : "nothing" },
		handOver: { count: inHand.length, late: late(inHand), line: `${ready.length} ready` },
	};
}

async function cutsToDo({ db }: ViewContext, sessionId: string): Promise<number> {
	const runs = await db
		.select({ id: cutRun.id, kits: cutRun.kits, document: kitVersion.document })
		.from(cutRun)
		.innerJoin(kitVersion, eq(kitVersion.id, cutRun.kitVersionId))
		.where(eq(cutRun.sessionId, sessionId));
	if (runs.length === 0) return 0;
	const ticks = await db
		.select()
		.from(cutTick)
		.where(
			inArray(
				cutTick.cutRunId,
				runs.map(({ id }) => id),
			),
		);
	return runs
		.flatMap(({ id, kits, document }) =>
			cutListOf(cutsOf(document), kits).map((line) => {
				const done = ticks.find((tick) => tick.cutRunId === id && tick.lineKey === line.key)?.done ?? 0;
				return Math.max(0, line.needed + line.spares - done);
			}),
		)
		.reduce((sum, left) => sum + left, 0);
}
