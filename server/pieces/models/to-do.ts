import type { PieceBrief } from "@contract/pieces";
import type { TodayLine } from "@contract/today";
import { groupBy } from "@core/group-by";
import { counted } from "@core/units/counted";
import { unfinished } from "@db/queries/pieces";
import { line, someOf, type ToDo } from "../../today/models/to-do";
import { briefs } from "./briefs";

/** What is finished by hand and put on the shelf; what dries; what was promised. */
export const toDo: ToDo = async ({ context }) => {
	const pieces = await briefs(context, unfinished());
	const codesOf = (some: readonly PieceBrief[]) => someOf(some.map(({ code }) => code));
	const coldWork = pieces.filter(({ state }) => state === "coldWork");
	const unshelved = pieces.filter(({ state, spot }) => state === "ready" && !spot);
	return {
		doNow: [
			coldWork.length > 0 &&
				line({
					key: "cold",
					what: `Cold work on ${counted(coldWork.length, "piece")}`,
					detail: codesOf(coldWork),
					href: "/hand-over",
					action: "Finish",
				}),
			unshelved.length > 0 &&
				line({
					key: "shelve",
					what: `Put ${counted(unshelved.length, "piece")} on the shelf`,
					detail: codesOf(unshelved),
					href: "/hand-over",
					action: "Choose spots",
				}),
		].filter((one) => one !== false),
		waiting: dryingLines(pieces, context.now),
		promised: promisedLines(pieces),
	};
};

function dryingLines(pieces: readonly PieceBrief[], now: Date): TodayLine[] {
	const wet = pieces.filter(
		({ state, readyFrom }) => state === "queued" && readyFrom !== null && Date.parse(readyFrom) > now.getTime(),
	);
	return [...groupBy(wet, ({ readyFrom }) => readyFrom)].map(([readyFrom, some]) =>
		line({
			key: `dry-${readyFrom}`,
			what: `Glue dries on ${counted(some.length, "piece")}`,
			detail: someOf(some.map(who)),
			href: "/dry",
			action: "Look",
			at: readyFrom,
			urgency: "calm",
		}),
	);
}

const who = ({ code, student }: PieceBrief) => (student ? `${student.split(" ")[0]} ${code}` : code);

/** What is late first; no more than anybody reads. */
const MOST_PROMISED = 40;
const URGENCY = { late: "late", atRisk: "atRisk", ok: "calm", kept: "calm" } as const;
const RANK = { late: 0, atRisk: 1, ok: 2, kept: 3 };

const promisedLines = (pieces: readonly PieceBrief[]): (TodayLine & { day: string })[] =>
	pieces
		.flatMap((one) => (one.promise && one.promisedDay ? [{ ...one, promise: one.promise, day: one.promisedDay }] : []))
		.sort((a, b) => RANK[a.promise] - RANK[b.promise] || a.day.localeCompare(b.day) || a.code.localeCompare(b.code))
		.slice(0, MOST_PROMISED)
		.map((one) => ({
			...line({
				key: one.id,
				what: one.student ?? one.code,
				detail: `${one.code} · ${one.kit ?? "piece"}`,
				href: `/piece/${one.code}`,
				action: "Look",
				urgency: URGENCY[one.promise],
			}),
			day: one.day,
		}));
