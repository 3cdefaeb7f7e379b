import type { KilnCell } from "@contract/kilns";
import type { StationCount } from "@contract/studio";
import type { JourneyState } from "@core/journey/journey";
import type { Station } from "@core/studio/stations";
import { countUnjudged } from "@db/queries/firings";
import { countKits } from "@db/queries/kits";
import { countByState, countLate } from "@db/queries/pieces";
import { chooseSession, sessionBriefs } from "@db/queries/sessions";
import { cutRunsOf } from "@db/queries/stock";
import { clockNear, dayOf } from "@formats/time";
import type { ViewContext } from "../../house/view";
import { linesOf } from "../../stock/models/lines";

/** What stands at every station, counted in the database however much it is. */
export async function stationCounts(
	context: ViewContext,
	kilns: readonly KilnCell[],
): Promise<Record<Station, StationCount>> {
	const { db, studio, now } = context;
	const zone = studio.timeZone;
	const today = dayOf(now, zone);
	const [states, lateOnes, kits, sessions, unjudged] = await Promise.all([
		countByState(db, now),
		countLate(db, today, now),
		countKits(db),
		sessionBriefs(db, today),
		countUnjudged(db),
	]);
	const session = chooseSession(sessions, null, today);
	const cutsLeft = session ? await cutsToDo(context, session.id) : 0;
	const running = kilns.filter(({ state }) => ["running", "cooling", "toRead"].includes(state));
	const planned = kilns.filter(({ state }) => state === "planned");
	const canOpen = kilns.filter(({ state }) => state === "canOpen" || state === "toRead");
	const opens = running.flatMap(({ firing: its }) => its?.openAt ?? []).sort()[0];
	const lastDry = states
		.flatMap(({ dryAt }) => dryAt?.toISOString() ?? [])
		.sort()
		.at(-1);
	const at = (instant: string) => clockNear(instant, now, zone);
	const openCount = unjudged + canOpen.reduce((sum, { firing: its }) => sum + (its?.pieces ?? 0), 0);
	/** Pieces in these states; those that wait for a kiln either wet or dry. */
	const there = (which: readonly JourneyState[], wet = false) => ({
		count: sum(states, which, wet),
		late: sum(lateOnes, which, wet),
	});
	return {
		kits: { count: kits, late: 0, line: kits === 1 ? "kit" : "kits" },
		cut: { count: cutsLeft, late: 0, line: cutsLeft > 0 ? "cuts to do" : "all cut" },
		bench: { ...there(["issued"]), line: session?.isToday ? `at ${session.startsAt}` : "in hand" },
		dry: { ...there(["queued"], true), line: lastDry ? `to ${at(lastDry)}` : "none wet" },
		load: { ...there(["queued"]), line: "waiting" },
		fire: {
			count: running.length + planned.length,
			late: 0,
			line: running.length > 0 ? `${running.length} hot` : planned.length > 0 ? "to start" : "idle",
		},
		open: { count: openCount, late: 0, line: openCount > 0 ? "to judge" : opens ? `at ${at(opens)}` : "nothing" },
		handOver: { ...there(["ready", "coldWork"]), line: `${there(["ready"]).count} ready` },
	};
}

const sum = (
	counts: readonly { state: JourneyState; wet: boolean; pieces: number }[],
	which: readonly JourneyState[],
	wet: boolean,
) =>
	counts.filter((one) => which.includes(one.state) && one.wet === wet).reduce((total, { pieces }) => total + pieces, 0);

async function cutsToDo({ db, studio }: ViewContext, sessionId: string): Promise<number> {
	const rows = await cutRunsOf(db, [sessionId]);
	return rows
		.flatMap((row) => linesOf(row, studio))
		.reduce((total, { needed, spares, done }) => total + Math.max(0, needed + spares - done), 0);
}
