import { boolean, date, index, integer, pgTable, primaryKey, text, time, unique, uuid } from "drizzle-orm/pg-core";
import { instant, retired, revision } from "./columns";
import { kitDesign } from "./kits";
import { student } from "./people";

/** What is taught: its evenings are class sessions. */
export const course = pgTable("course", {
	id: uuid("id").primaryKey().defaultRandom(),
	revision: revision(),
	title: text("title").notNull(),
	about: text("about").notNull().default(""),
	room: text("room").notNull().default(""),
	/** Students it has room for. */
	places: integer("places").notNull().default(8),
	/** For all of it, minor units; null: not said. */
	priceMinor: integer("price_minor"),
	retired: retired(),
});

/** Kits that its students choose among. */
export const courseKit = pgTable(
	"course_kit",
	{
		courseId: uuid("course_id")
			.notNull()
			.references(() => course.id, { onDelete: "cascade" }),
		kitId: uuid("kit_id")
			.notNull()
			.references(() => kitDesign.id, { onDelete: "cascade" }),
	},
	(t) => [primaryKey({ columns: [t.courseId, t.kitId] })],
);

export const classSession = pgTable(
	"class_session",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		revision: revision(),
		courseId: uuid("course_id")
			.notNull()
			.references(() => course.id),
		day: date("day", { mode: "string" }).notNull(),
		startsAt: time("starts_at").notNull(),
		endsAt: time("ends_at").notNull(),
		promisedDay: date("promised_day", { mode: "string" }),
		/** Called off; what was issued in it stays. */
		cancelledAt: instant("cancelled_at"),
	},
	(t) => [index("class_session_day").on(t.day), index("class_session_course").on(t.courseId, t.day)],
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
		/** Null: nobody has looked yet. */
		attended: boolean("attended"),
	},
	(t) => [
		primaryKey({ columns: [t.sessionId, t.studentId] }),
		unique().on(t.sessionId, t.seat),
		index("enrolment_student").on(t.studentId),
	],
);

/** Who would come if a place became free, first come first. */
export const waitingPlace = pgTable(
	"waiting_place",
	{
		sessionId: uuid("session_id")
			.notNull()
			.references(() => classSession.id),
		studentId: uuid("student_id")
			.notNull()
			.references(() => student.id),
		since: instant("since").notNull(),
	},
	(t) => [primaryKey({ columns: [t.sessionId, t.studentId] }), index("waiting_place_student").on(t.studentId)],
);
