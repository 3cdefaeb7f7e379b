import { timingSafeEqual } from "node:crypto";
import { addDays } from "@core/calendar/days";
import type { Database } from "@db/connect";
import { sessionsBetween } from "@db/queries/courses";
import { loadStudio } from "@db/queries/studio";
import { course } from "@db/schema";
import { calendarFeed } from "@formats/calendar-feed";
import { dayOf } from "@formats/time";

/** What other calendars are shown, days back and on. */
const BACK = 90;
const ON = 400;

/** The calendar as iCalendar text, for whoever has the key; undefined for anybody else. Names of students are not in it. */
export async function feedFor(db: Database, key: string, now: Date): Promise<string | undefined> {
	const studio = await loadStudio(db);
	const [a, b] = [Buffer.from(key), Buffer.from(studio.calendarKey ?? "")];
	if (b.length === 0 || a.length !== b.length || !timingSafeEqual(a, b)) return undefined;
	const today = dayOf(now, studio.timeZone);
	const sessions = await sessionsBetween(db, addDays(today, -BACK), addDays(today, ON));
	const courses = await db.select({ id: course.id, about: course.about }).from(course);
	const aboutOf = new Map(courses.map(({ id, about }) => [id, about]));
	return calendarFeed(
		studio,
		sessions.map((one) => ({
			...one,
			about: aboutOf.get(one.courseId) ?? "",
			detail: `${one.students} of ${one.places} places taken${one.waiting > 0 ? `, ${one.waiting} wait` : ""}`,
		})),
	);
}
