import { sql } from "drizzle-orm";
import {
	boolean,
	date,
	index,
	integer,
	jsonb,
	pgTable,
	primaryKey,
	text,
	time,
	unique,
	uniqueIndex,
	uuid,
} from "drizzle-orm/pg-core";
import { SIGN_UP_STATES, type SignUpState } from "../../contract/sign-up";
import { instant, oneOf, retired, revision } from "./columns";
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
	/** Whoever has the address with this in it may ask for a place; null: nobody does. */
	signUpKey: text("sign_up_key").unique(),
	/** So many of the small kits are chosen at most by who signs up; of the large ones one. */
	smallKits: integer("small_kits").notNull().default(1),
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
		/** Takes the whole class: one is made, and nothing beside it. */
		isLarge: boolean("is_large").notNull().default(false),
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

/** Somebody outside who asked for a place through the course's address, until the instructor has decided, and what they chose. */
export const signUp = pgTable(
	"sign_up",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		courseId: uuid("course_id")
			.notNull()
			.references(() => course.id, { onDelete: "cascade" }),
		at: instant("at").notNull(),
		name: text("name").notNull(),
		email: text("email").notNull(),
		phone: text("phone").notNull().default(""),
		/** Who answers for somebody under sixteen. */
		adult: text("adult").notNull().default(""),
		note: text("note").notNull().default(""),
		kitIds: jsonb("kit_ids").$type<string[]>().notNull().default([]),
		/** Waits for a place: all were taken when it came. */
		state: text("state").$type<SignUpState>().notNull(),
		/** Who they are in the studio's book, once confirmed. */
		studentId: uuid("student_id").references(() => student.id, { onDelete: "cascade" }),
	},
	(t) => [
		uniqueIndex("sign_up_person").on(t.courseId, t.email, sql`lower(${t.name})`),
		index("sign_up_student").on(t.studentId),
		oneOf("sign_up_state_known", t.state, SIGN_UP_STATES),
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
