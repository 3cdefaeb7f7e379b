import { addDays, firstOfMonth } from "@core/calendar/days";
import {
	attendeesOf,
	classesOf,
	courseBriefs,
	loadCourse,
	loadStudent,
	piecesOf,
	sessionsBetween,
	sessionsOfCourse,
	studentRows,
} from "@db/queries/courses";
import { kitNames } from "@db/queries/kits";
import { choicesOf, signUpsOf } from "@db/queries/sign-ups";
import { student } from "@db/schema";
import { dayOf } from "@formats/time";
import { asc } from "drizzle-orm";
import { currencyFor } from "../glass/models/books";
import { inTheBook } from "../house/refusal";
import type { View } from "../house/view";
import { feedPath } from "./make-calendar-link";
import { signUpPath } from "./make-sign-up-link";

/** Weeks before and after the first of this month that are shown where nobody says otherwise, days. */
const AROUND = { before: 7, after: 75 };

export const calendar: View<"calendar"> = async (context, params) => {
	const { db, now, studio, role } = context;
	const today = dayOf(now, studio.timeZone);
	const from = params.from ?? addDays(firstOfMonth(params.at ?? today), -AROUND.before);
	const to = params.to ?? addDays(from, AROUND.after);
	const [sessions, courses, kits] = await Promise.all([
		sessionsBetween(db, from, to),
		courseBriefs(db, today),
		kitNames(db),
	]);
	const mayShare = role === "instructor" && studio.calendarKey !== null;
	return {
		today,
		sessions,
		courses,
		kits,
		currency: currencyFor(context),
		feedPath: mayShare ? feedPath(studio.calendarKey as string) : null,
	};
};

export const courseView: View<"course"> = async (context, { id }) => {
	const { db, now, studio } = context;
	const { revision, retired, signUpKey, ...course } = inTheBook(await loadCourse(db, id), "course");
	const [sessions, kits, students] = await Promise.all([
		sessionsOfCourse(db, id),
		kitNames(db),
		db
			.select({ id: student.id, revision: student.revision, name: student.name, email: student.email })
			.from(student)
			.orderBy(asc(student.name)),
	]);
	const currency = currencyFor(context);
	const [attendees, signUps, chose] = await Promise.all([
		attendeesOf(
			db,
			sessions.map((one) => one.id),
		),
		signUpsOf(db, id),
		choicesOf(db, id),
	]);
	const isInstructor = context.role === "instructor";
	return {
		today: dayOf(now, studio.timeZone),
		course: { ...course, priceMinor: currency === null ? null : course.priceMinor },
		revision,
		retired,
		sessions,
		attendees: attendees.map((one) => ({ ...one, chose: chose.get(one.studentId) ?? [] })),
		signUps: isInstructor ? signUps : [],
		signUpPath: isInstructor && signUpKey ? signUpPath(signUpKey) : null,
		kits,
		students,
		currency,
	};
};

export const students: View<"students"> = async ({ db }) => ({ students: await studentRows(db) });

export const studentView: View<"student"> = async ({ db, studio }, { id }) => {
	const { revision, ...row } = inTheBook(await loadStudent(db, id), "student");
	const [classes, pieces] = await Promise.all([classesOf(db, id), piecesOf(db, id)]);
	return {
		student: row,
		revision,
		classes,
		pieces: pieces.map(({ issued, ...one }) => ({ ...one, issuedOn: dayOf(issued, studio.timeZone) })),
	};
};
