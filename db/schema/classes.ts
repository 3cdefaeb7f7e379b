import { date, index, integer, pgTable, primaryKey, text, time, unique, uuid } from "drizzle-orm/pg-core";
import { instant } from "./columns";
import { student } from "./people";

export const course = pgTable("course", {
	id: uuid("id").primaryKey().defaultRandom(),
	title: text("title").notNull(),
});

export const classSession = pgTable(
	"class_session",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		courseId: uuid("course_id")
			.notNull()
			.references(() => course.id),
		day: date("day", { mode: "string" }).notNull(),
		startsAt: time("starts_at").notNull(),
		endsAt: time("ends_at").notNull(),
		promisedDay: date("promised_day", { mode: "string" }),
	},
	(t) => [index("class_session_day").on(t.day)],
);

export const enrolment = pgTable(
	"enrolment",
	{
		sessionId: uuid("session_id")
			.notNull()
			.references(() => classSession.id),
		studentId: uuid("student_id")
			.notNull()
			.references(() => student.id),
		seat: integer("seat").notNull(),
		safetySignedAt: instant("safety_signed_at"),
	},
	(t) => [primaryKey({ columns: [t.sessionId, t.studentId] }), unique().on(t.sessionId, t.seat)],
);
