import { counted } from "@core/units/counted";
import { sessionBriefs } from "@db/queries/sessions";
import { wallClockMs } from "@formats/wall-clock";
import { line, type ToDo } from "../../today/models/to-do";

/** Today's classes. */
export const toDo: ToDo = async ({ context: { db, studio }, day }) => {
	const sessions = await sessionBriefs(db, day);
	const todays = sessions.filter(({ isToday }) => isToday);
	return {
		doNow: todays.map((session) =>
			line({
				key: `class-${session.id}`,
				what: session.title,
				detail: `${counted(session.students, "student")}, ${session.startsAt} to ${session.endsAt}`,
				href: `/bench?session=${session.id}`,
				action: "Open the bench",
				at: new Date(wallClockMs(session.day, session.startsAt, studio.timeZone)).toISOString(),
			}),
		),
	};
};
