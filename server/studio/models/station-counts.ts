import type { FrameView } from "@contract/studio";
import type { JourneyState } from "@core/journey/journey";
import { countKits } from "@db/queries/kits";
import { countByState, countLate } from "@db/queries/pieces";
import { chooseSession, sessionBriefs } from "@db/queries/sessions";
import { clockNear, dayOf } from "@formats/time";
import type { ViewContext } from "../../house/view";
import { cutsToDo } from "../../stock/models/cuts-to-do";

/** What stands at every station, counted in the database however much it is. */
export async function stationCounts(context: ViewContext): Promise<FrameView["stations"]> {
	const { db, studio, now } = context;
	const zone = studio.timeZone;
	const today = dayOf(now, zone);
	const [states, lateOnes, kits, sessions] = await Promise.all([
		countByState(db, now),
		countLate(db, today, now),
		countKits(db),
		sessionBriefs(db, today),
	]);
	const session = chooseSession(sessions, null, today);
	const cutsLeft = session ? await cutsToDo(context, session.id) : 0;
	const lastDry = states
		.flatMap(({ dryAt }) => dryAt?.toISOString() ?? [])
		.sort()
		.at(-1);
	const at = (instant: string) => clockNear(instant, now, zone);
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
		handOver: { ...there(["ready", "coldWork"]), line: `${there(["ready"]).count} ready` },
	};
}

const sum = (
	counts: readonly { state: JourneyState; wet: boolean; pieces: number }[],
	which: readonly JourneyState[],
	wet: boolean,
) =>
	counts.filter((one) => which.includes(one.state) && one.wet === wet).reduce((total, { pieces }) => total + pieces, 0);
