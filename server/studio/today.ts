import type { AlarmBrief } from "@contract/kilns";
import type { PieceBrief } from "@contract/pieces";
import type { TodayLine } from "@contract/studio";
import { groupBy } from "@core/group-by";
import { ALARM_WORDS } from "@core/kiln/watch";
import { counted } from "@core/units/counted";
import { briefs, unfinished } from "@db/queries/pieces";
import { countClasses, sessionBriefs } from "@db/queries/sessions";
import { clockNear, dayOf } from "@formats/time";
import { wallClockMs } from "@formats/wall-clock";
import { unitsOf } from "../house/units-of";
import { type View, when } from "../house/view";
import { alarmBriefs, openOrUnseen } from "../kilns/models/alarms";
import { kilnCells } from "../kilns/models/cells";
import { kilnLines } from "./models/kiln-lines";
import { stationCounts } from "./models/station-counts";
import { line } from "./models/today-line";

/** The first dozen of a long row, and how many more there are. */
const someOf = (words: readonly string[], most = 12) =>
	words.length > most ? `${words.slice(0, most).join(", ")} and ${words.length - most} more` : words.join(", ");

/** Where an alarm is looked into. */
const placeOf = ({ kind, kilnId, firing }: AlarmBrief): string =>
	kind === "unconfirmed" ? `/fire/kilns/${kilnId}?tab=line` : firing === null ? `/fire/kilns/${kilnId}` : "/fire";

/** What to do, what the glass makes wait, what was promised: one line and one action each. */
export const today: View<"today"> = async (context) => {
	const { db, studio, now, actor } = context;
	const zone = studio.timeZone;
	const day = dayOf(now, zone);
	const kilns = await kilnCells(context);
	const [stations, sessions, alarms, pieces] = await Promise.all([
		stationCounts(context, kilns),
		sessionBriefs(db, day),
		alarmBriefs(db, openOrUnseen()),
		briefs(db, unfinished(), when(context)),
	]);
	const doNow: TodayLine[] = [];
	const waiting: TodayLine[] = [];
	for (const alarm of alarms) {
		const since = `since ${clockNear(alarm.startedAt, now, zone)}${alarm.endedAt ? ", over now" : ""}`;
		doNow.push(
			line(
				`alarm-${alarm.id}`,
				`${alarm.kiln}: ${ALARM_WORDS[alarm.kind]}`,
				since,
				placeOf(alarm),
				"Look at the kiln",
				{
					urgency: "late",
				},
			),
		);
	}
	const atKilns = kilnLines(kilns, unitsOf(studio));
	doNow.push(...atKilns.doNow);
	waiting.push(...atKilns.waiting);
	if (stations.open.line === "to judge" && !kilns.some(({ state }) => state === "canOpen" || state === "toRead")) {
		doNow.push(
			line(
				"judge",
				`Judge ${counted(stations.open.count, "piece")}`,
				"out of the kiln, not looked at yet",
				"/open",
				"Judge",
			),
		);
	}
	const todays = sessions.filter(({ isToday }) => isToday);
	for (const session of todays) {
		doNow.push(
			line(
				`class-${session.id}`,
				session.title,
				`${counted(session.students, "student")}, ${session.startsAt} to ${session.endsAt}`,
				`/bench?session=${session.id}`,
				"Open the bench",
				{
					at: new Date(wallClockMs(session.day, session.startsAt, zone)).toISOString(),
				},
			),
		);
	}
	if (actor.role === "instructor" && !studio.isDemo && (kilns.length === 0 || (await countClasses(db)) === 0))
		doNow.push(
			line(
				"first",
				"Write your studio down",
				"kilns, glass, a first class: ten minutes",
				"/first-steps",
				"First steps",
			),
		);
	if (stations.cut.count > 0)
		doNow.push(
			line("cut", `Cut ${counted(stations.cut.count, "part")}`, "for the next class, spares counted", "/cut", "Cut"),
		);
	if (stations.load.count > 0)
		doNow.push(
			line(
				"load",
				`Load ${counted(stations.load.count, "piece")}`,
				"dry and sorted into trays",
				"/load",
				"Propose a load",
			),
		);
	const coldWork = pieces.filter(({ state }) => state === "coldWork");
	if (coldWork.length > 0)
		doNow.push(
			line(
				"cold",
				`Cold work on ${counted(coldWork.length, "piece")}`,
				someOf(coldWork.map(({ code }) => code)),
				"/hand-over",
				"Finish",
			),
		);
	const unshelved = pieces.filter(({ state, spot }) => state === "ready" && !spot);
	if (unshelved.length > 0)
		doNow.push(
			line(
				"shelve",
				`Put ${counted(unshelved.length, "piece")} on the shelf`,
				someOf(unshelved.map(({ code }) => code)),
				"/hand-over",
				"Choose spots",
			),
		);

	const wet = pieces.filter(
		({ state, readyFrom }) => state === "queued" && readyFrom !== null && Date.parse(readyFrom) > now.getTime(),
	);
	for (const [readyFrom, some] of groupBy(wet, (one) => one.readyFrom)) {
		waiting.push(
			line(
				`dry-${readyFrom}`,
				`Glue dries on ${counted(some.length, "piece")}`,
				someOf(some.map(who)),
				"/dry",
				"Look",
				{
					at: readyFrom,
					urgency: "calm",
				},
			),
		);
	}
	waiting.sort((a, b) => (a.at ?? "").localeCompare(b.at ?? ""));
	return { doNow, waiting, promised: promisedLines(pieces) };
};

const who = ({ code, student }: PieceBrief) => (student ? `${student.split(" ")[0]} ${code}` : code);

function promisedLines(pieces: readonly PieceBrief[]): (TodayLine & { day: string })[] {
	const rank = { late: 0, atRisk: 1, ok: 2, kept: 3 } as const;
	return pieces
		.flatMap((one) => (one.promise && one.promisedDay ? [{ ...one, promise: one.promise, day: one.promisedDay }] : []))
		.filter(({ promise, state }) => promise !== "kept" || state === "ready")
		.sort((a, b) => rank[a.promise] - rank[b.promise] || a.day.localeCompare(b.day) || a.code.localeCompare(b.code))
		.slice(0, 40)
		.map((one) => ({
			key: one.id,
			what: one.student ?? one.code,
			detail: `${one.code} · ${one.kit ?? "piece"}`,
			day: one.day,
			at: null,
			href: `/piece/${one.code}`,
			action: "Look",
			urgency:
				one.promise === "late" ? ("late" as const) : one.promise === "atRisk" ? ("atRisk" as const) : ("calm" as const),
		}));
}
