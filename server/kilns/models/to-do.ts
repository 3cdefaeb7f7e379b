import type { AlarmBrief, KilnCell } from "@contract/kilns";
import type { TodayLine } from "@contract/today";
import { LEVEL_WORDS } from "@core/firing/level";
import { ALARM_WORDS } from "@core/kiln/watch";
import { counted } from "@core/units/counted";
import { phraseText, type Units } from "@core/units/phrase";
import { clockNear } from "@formats/time";
import { unitsOf } from "../../house/units-of";
import type { ViewContext } from "../../house/view";
import { line, type ToDo } from "../../today/models/to-do";
import { alarmBriefs, openOrUnseen } from "./alarms";

/** Alarms first, then what each kiln asks for; what only time does is waited for. */
export const toDo: ToDo = async ({ context, kilns }) => {
	const alarms = await alarmBriefs(context.db, openOrUnseen());
	const units = unitsOf(context.studio);
	const lines = kilns.flatMap((cell) => kilnLine(cell, units) ?? []);
	return {
		doNow: [...alarms.map((one) => alarmLine(one, context)), ...lines.filter(({ urgency }) => urgency !== "calm")],
		waiting: lines.filter(({ urgency }) => urgency === "calm"),
	};
};

const alarmLine = (alarm: AlarmBrief, { now, studio }: ViewContext): TodayLine =>
	line({
		key: `alarm-${alarm.id}`,
		what: `${alarm.kiln}: ${ALARM_WORDS[alarm.kind]}`,
		detail: `since ${clockNear(alarm.startedAt, now, studio.timeZone)}${alarm.endedAt ? ", over now" : ""}`,
		href: placeOf(alarm),
		action: "Look at the kiln",
		urgency: "late",
	});

/** Where an alarm is looked into. */
const placeOf = ({ kind, kilnId, firing }: AlarmBrief): string =>
	kind === "unconfirmed" ? `/fire/kilns/${kilnId}?tab=line` : firing === null ? `/fire/kilns/${kilnId}` : "/fire";

function kilnLine({ state, name, phase, firing }: KilnCell, units: Units): TodayLine | undefined {
	if (!firing) return undefined;
	const { id, number, pieces, level, startsAt, openAt } = firing;
	const load = `firing ${number}: ${counted(pieces, "piece")}, ${LEVEL_WORDS[level]}`;
	switch (state) {
		case "canOpen":
			return line({ key: `open-${id}`, what: `Open ${name}`, detail: load, href: "/open", action: "Open and judge" });
		case "toRead":
			return line({
				key: `open-${id}`,
				what: `Read how hot ${name} is`,
				detail: `${load}; its time has come`,
				href: "/open",
				action: "Read and open",
			});
		case "planned":
			return line({
				key: `start-${id}`,
				what: `Start ${name}`,
				detail: load,
				href: "/fire",
				action: "Go to the kiln",
				at: startsAt,
			});
		case "running":
		case "cooling":
			return line({
				key: `fire-${id}`,
				what: `${name}, ${phraseText(phase, units)}`,
				detail: load,
				href: "/fire",
				action: "Look",
				at: openAt,
				urgency: "calm",
			});
		case "empty":
			return undefined;
	}
}
