import { timingSafeEqual } from "node:crypto";
import { addDays } from "@core/calendar/days";
import { LEVEL_WORDS } from "@core/firing/level";
import { counted } from "@core/units/counted";
import type { Database } from "@db/connect";
import { sessionsBetween } from "@db/queries/courses";
import { loadKilns } from "@db/queries/kilns";
import { loadStudio, type Studio } from "@db/queries/studio";
import { course } from "@db/schema";
import { calendarFeed, type FeedFiring } from "@formats/calendar-feed";
import { dayOf } from "@formats/time";
import { calendarFirings } from "../loads/models/calendar";
import { houseSpans } from "../loads/models/house-spans";

/** What other calendars are shown, days back and on. */
const BACK = 90;
const ON = 400;

/** Announced and running firings with their kilns. */
async function firingsFor(db: Database, studio: Studio, now: Date): Promise<FeedFiring[]> {
	const { there } = houseSpans(studio, now, 21);
	const kilns = new Map((await loadKilns(db)).map(({ id, name }) => [id, name]));
	const firings = await calendarFirings(db, now, there, studio.timeZone);
	return firings.map(({ id, kilnId, number, state, level, pieces, from, coolMs }) => ({
		id,
		title: `${kilns.get(kilnId) ?? "Kiln"}: firing ${number}`,
		detail: `${LEVEL_WORDS[level]}, ${counted(pieces, "piece")}; ${state === "running" ? "it runs" : "announced"}. Ends when it may be opened at the soonest; go by the kiln’s own temperature.`,
		start: new Date(from),
		openNotBefore: new Date(coolMs),
	}));
}

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
		await firingsFor(db, studio, now),
	);
}
