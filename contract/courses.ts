import { z } from "zod";
import { assistant, instructor } from "./action";
import { email } from "./begin";
import { clockTime, count, day, id, isDistinct, revision, words } from "./fields";
import type { SignUpBrief } from "./sign-up";
import { seenByAssistant } from "./view";

/** Courses, their evenings, and who comes to them. Days "2031-03-08", times "18:30" in the studio's zone, money in minor units. */

export const LARGEST_COURSE = { evenings: 60, places: 60 } as const;

const courseFields = z.strictObject({
	id,
	title: words("The title", 80, 1),
	about: words("What it is about", 2000),
	room: words("The room", 60),
	places: count("Places", 1, LARGEST_COURSE.places),
	priceMinor: count("The price", 0, 100_000_000).nullable(),
	kitIds: z.array(id).max(40, "At most 40 kits.").refine(isDistinct, "A kit stands here twice."),
	/** Of those, the ones that take the whole class: one is made, and nothing beside it. */
	largeKitIds: z.array(id).max(40, "At most 40 kits."),
	/** So many of the others are chosen at most by who signs up. */
	smallKits: count("Small kits", 1, 12),
});
export type CourseForm = z.infer<typeof courseFields>;

const slot = {
	id,
	day,
	startsAt: clockTime("The beginning"),
	endsAt: clockTime("The end"),
	promisedDay: day.nullable(),
};
const endsLater = ({ startsAt, endsAt }: { startsAt: string; endsAt: string }) => startsAt < endsAt;
const ENDS_FIRST = { error: "It ends before it begins.", path: ["endsAt"] };
const promisedLater = (one: { day: string; promisedDay: string | null }) =>
	!one.promisedDay || one.promisedDay >= one.day;
const PROMISED_FIRST = { error: "The pieces are promised for a day before the class.", path: ["promisedDay"] };

const evening = z.strictObject(slot).refine(endsLater, ENDS_FIRST).refine(promisedLater, PROMISED_FIRST);
export type Evening = z.infer<typeof evening>;

export const studentFields = z.strictObject({
	id,
	name: words("The name", 80, 1),
	email: email.nullable(),
	phone: words("The telephone number", 40),
	note: words("The note", 500),
	adult: words("The adult’s name", 80),
});
export type StudentForm = z.infer<typeof studentFields>;

const studentIds = z
	.array(id)
	.min(1, "Choose at least 1 student.")
	.max(200, "At most 200 students at once.")
	.refine(isDistinct, "A student stands here twice.");
const sessionIds = z.array(id).min(1, "Choose at least 1 evening.").max(LARGEST_COURSE.evenings);

export const actions = {
	/** A course with evenings that are new. Those it has already are changed one by one. */
	saveCourse: instructor
		.asks(
			z.strictObject({
				course: courseFields,
				revision,
				evenings: z.array(evening).max(LARGEST_COURSE.evenings, `At most ${LARGEST_COURSE.evenings} evenings at once.`),
			}),
		)
		.touches("classes")
		.answers<{ courseId: string; revision: number }>(),
	saveSession: instructor
		.asks(
			z.strictObject({
				session: evening,
				revision: count("Revision", 1, 1_000_000),
			}),
		)
		.touches("classes", "pieces")
		.answers<{ sessionId: string; revision: number; promises: number }>(),
	/** These evenings, and what was promised in them, come so many days later or sooner. */
	moveSessions: instructor
		.asks(
			z.strictObject({
				sessions: z
					.array(z.strictObject({ id, revision: count("Revision", 1, 1_000_000) }))
					.min(1, "Choose at least 1 evening.")
					.max(LARGEST_COURSE.evenings),
				days: z.number().int("Whole days.").min(-365, "At most a year.").max(365, "At most a year."),
			}),
		)
		.touches("classes", "pieces")
		.answers<{ moved: number; promises: number }>(),
	cancelSession: instructor
		.asks(z.strictObject({ sessionId: id, cancelled: z.boolean({ error: "Say whether it is called off." }) }))
		.touches("classes")
		.answers<{ cancelled: boolean }>(),
	saveStudent: assistant
		.asks(z.strictObject({ student: studentFields, revision }))
		.touches("people", "classes", "pieces")
		.answers<{ studentId: string; revision: number }>(),
	/** New students, or what is new of known ones; the same list sent twice counts once. */
	takeStudents: instructor
		.asks(
			z.strictObject({
				/** As the list has them, and at which revision of the book a known one was found; 0: nobody of the book. */
				students: z
					.array(studentFields.extend({ revision }))
					.min(1, "There is nobody in this list.")
					.max(500, "At most 500 students at once."),
				sessionIds: z.array(id).max(LARGEST_COURSE.evenings),
			}),
		)
		.touches("people", "classes", "pieces")
		.answers<{ added: number; changed: number; enrolled: number; waiting: number }>(),
	/** A new address for the calendar feed; the one before is no longer answered. Or none at all. */
	makeCalendarLink: instructor
		.asks(z.strictObject({ on: z.boolean() }))
		.touches("studio")
		.answers<{ path: string | null }>(),
	/** An address under which anybody may ask for a place; the one before is no longer answered. Or none at all. */
	makeSignUpLink: instructor
		.asks(z.strictObject({ courseId: id, on: z.boolean() }))
		.touches("classes")
		.answers<{ path: string | null }>(),
	/**
	 * Lets somebody in who signed up, into the book and into the evenings to come; or tells them no. `as` is who of the book they
	 * are, null for nobody; where it is not said, whoever has their name and e-mail.
	 */
	decideSignUp: instructor
		.asks(z.strictObject({ signUpId: id, letIn: z.boolean(), as: id.nullable().optional() }))
		.touches("classes", "people")
		.answers<{ enrolled: number; waiting: number }>(),
	/** The person goes: name, address, notes, photos, places. Their pieces stay as figures. */
	eraseStudent: instructor
		.asks(z.strictObject({ studentId: id }))
		.touches("people", "classes", "pieces", "firings")
		.answers<{ erased: true }>(),
	/** Whoever finds no place is on the waiting list. */
	enrol: assistant
		.asks(z.strictObject({ sessionIds, studentIds }))
		.touches("classes", "people")
		.answers<{ enrolled: number; waiting: number; already: number }>(),
	/** Gives up a place, or the wait for one. */
	leave: assistant
		.asks(z.strictObject({ sessionIds, studentId: id }))
		.touches("classes", "people")
		.answers<{ left: number }>(),
	markAttendance: assistant
		.asks(z.strictObject({ sessionId: id, studentId: id, attended: z.boolean().nullable() }))
		.touches("classes")
		.answers<{ attended: boolean | null }>(),
};

export interface CalendarSession {
	id: string;
	revision: number;
	courseId: string;
	title: string;
	room: string;
	day: string;
	startsAt: string;
	endsAt: string;
	promisedDay: string | null;
	students: number;
	waiting: number;
	places: number;
	cancelled: boolean;
	/** Pieces of it that are not with their owners yet. */
	pieces: number;
}

export interface CalendarView {
	today: string;
	sessions: CalendarSession[];
	courses: { id: string; title: string; room: string; places: number; evenings: number; next: string | null }[];
	kits: { id: string; name: string }[];
	currency: string | null;
	/** Where other calendars read this one; null: nowhere, or not for this person to know. */
	feedPath: string | null;
}

export interface Attendee {
	studentId: string;
	name: string;
	email: string | null;
	note: string;
	/** Kits they chose when they signed up. */
	chose: string[];
	/** Of each evening by its id: the seat and whether they came; "waiting" where they wait for a place. */
	evenings: Record<string, { seat: number; attended: boolean | null } | "waiting">;
}

export interface CourseView {
	today: string;
	course: CourseForm;
	revision: number;
	/** Put away: no longer offered. */
	retired: boolean;
	sessions: CalendarSession[];
	/** By name; who waits comes last, first come first. */
	attendees: Attendee[];
	/** Who asked for a place from outside and was not answered, first come first. */
	signUps: SignUpBrief[];
	/** Where anybody may ask for a place; null: nowhere, or not for this person to know. */
	signUpPath: string | null;
	kits: { id: string; name: string }[];
	students: { id: string; revision: number; name: string; email: string | null }[];
	currency: string | null;
}

export interface StudentsView {
	students: {
		id: string;
		revision: number;
		name: string;
		email: string | null;
		phone: string;
		note: string;
		adult: string;
		classes: number;
		/** Day of the newest class; null for none. */
		last: string | null;
		/** Made, and of those not collected yet. */
		pieces: number;
		open: number;
	}[];
}

export interface StudentView {
	student: StudentForm;
	revision: number;
	classes: {
		sessionId: string;
		courseId: string;
		title: string;
		day: string;
		attended: boolean | null;
		waiting: boolean;
	}[];
	pieces: { code: string; kit: string | null; state: string; issuedOn: string; photoId: string | null }[];
}

export const views = {
	calendar: seenByAssistant
		.given({
			from: day.optional(),
			to: day.optional(),
			new: words("New", 5).optional(),
			at: day.optional(),
			as: words("The view", 10).optional(),
		})
		.of("classes", "kits", "pieces", "studio")
		.shows<CalendarView>(),
	course: seenByAssistant.given({ id }).of("classes", "people", "kits", "pieces", "studio").shows<CourseView>(),
	students: seenByAssistant
		.given({ student: words("The student", 40).optional() })
		.of("people", "classes", "pieces")
		.shows<StudentsView>(),
	student: seenByAssistant.given({ id }).of("people", "classes", "pieces", "kits").shows<StudentView>(),
};
