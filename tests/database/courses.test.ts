import { randomUUID } from "node:crypto";
import type { ActionInput } from "@contract/actions";
import { addDays } from "@core/calendar/days";
import { connect } from "@db/connect";
import { piece } from "@db/schema";
import { dayOf } from "@formats/time";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
let today = "";
beforeAll(async () => {
	studio = await demoStudio();
	today = dayOf(new Date(), "America/Denver");
});
afterAll(() => studio.close());

const sentences = async (work: Promise<unknown>) =>
	(await refusal(work)).problems.map(({ path, sentence }) => `${path.join(".")}: ${sentence}`);

type Evening = ActionInput<"saveCourse">["evenings"][number];
const evening = (inDays: number, change: Partial<Evening> = {}): Evening => ({
	id: randomUUID(),
	day: addDays(today, inDays),
	startsAt: "18:30",
	endsAt: "21:00",
	promisedDay: null,
	...change,
});
/** Far enough on that nothing of the demo stands there; each course some weeks after the one before. */
let offset = 100;
beforeEach(() => {
	offset += 400;
});
const courseOf = (change: Partial<ActionInput<"saveCourse">["course"]> = {}) => ({
	id: randomUUID(),
	title: "Roof tiles",
	about: "",
	room: "",
	places: 3,
	priceMinor: 4500,
	kitIds: [] as string[],
	largeKitIds: [] as string[],
	smallKits: 1,
	...change,
});
async function kept(evenings: Evening[], change: Partial<ActionInput<"saveCourse">["course"]> = {}) {
	const course = courseOf(change);
	await studio.act("saveCourse", { course, revision: 0, evenings });
	return course;
}
const student = async (name: string) => {
	const id = randomUUID();
	await studio.act("saveStudent", { student: { id, name, email: null, phone: "", note: "", adult: "" }, revision: 0 });
	return id;
};
const seen = (id: string) => studio.see("course", { id });

describe("a course", () => {
	it("stands on the calendar with its evenings; the same press twice is one course", async () => {
		const course = courseOf({ kitIds: [(await studio.see("books")).kits[0]?.id ?? ""] });
		const evenings = [0, 7, 14].map((n) => evening(offset + n));
		const input = { course, revision: 0, evenings };
		await studio.act("saveCourse", input);
		await studio.act("saveCourse", input);
		const from = addDays(today, offset);
		const { sessions } = await studio.see("calendar", { from, to: addDays(from, 20) });
		expect(sessions.map(({ day, title, places }) => [day, title, places])).toEqual(
			[0, 7, 14].map((n) => [addDays(from, n), "Roof tiles", 3]),
		);
		expect((await seen(course.id)).course).toEqual(course);
		expect((await studio.see("course", { id: course.id }, new Date(), "assistant")).course.priceMinor).toBeNull();
	});

	it("not in the past, nor in a room that another class has: the sentence stands at the evening, and nothing is kept", async () => {
		const past = studio.act("saveCourse", { course: courseOf(), revision: 0, evenings: [evening(-1)] });
		expect((await sentences(past))[0]).toMatch(/^evenings\.0\.day: .* is over\. Choose a day from today on\.$/);
		await kept([evening(offset)], { room: "Loft" });
		const course = courseOf({ room: "loft " });
		const clash = studio.act("saveCourse", {
			course,
			revision: 0,
			evenings: [evening(offset + 1), evening(offset, { startsAt: "20:00", endsAt: "22:00" })],
		});
		expect(await sentences(clash)).toEqual([
			expect.stringMatching(/^evenings\.1\.startsAt: “Roof tiles” has Loft on .* from 18:30 to 21:00\. Choose another/),
		]);
		expect((await refusal(seen(course.id))).kind).toBe("missing");
		await kept([evening(offset)], { room: "Kiln room" });
	});

	it.each<[Partial<Evening>, string]>([
		[{ startsAt: "21:00", endsAt: "18:30" }, "evenings.0.endsAt: It ends before it begins."],
		[{ startsAt: "half past" }, "evenings.0.startsAt: The beginning is written like 18:30."],
		[{ promisedDay: "2001-01-01" }, "evenings.0.promisedDay: The pieces are promised for a day before the class."],
	])("%j is told at its field", async (change, sentence) => {
		const act = studio.act("saveCourse", { course: courseOf(), revision: 0, evenings: [evening(offset, change)] });
		expect(await sentences(act)).toContain(sentence);
	});

	it("a course does not move into a room that others have at its hours; two at once take one room once", async () => {
		await kept([evening(offset)], { room: "Shed" });
		const course = await kept([evening(offset)], { room: "Barn" });
		const act = studio.act("saveCourse", { course: { ...course, room: "Shed" }, revision: 1, evenings: [] });
		expect((await sentences(act))[0]).toMatch(/^course\.room: “Roof tiles” has Shed on/);
		expect((await seen(course.id)).course.room).toBe("Barn");
		const both = await Promise.allSettled([1, 2, 3].map(() => kept([evening(offset + 1)], { room: "Silo" })));
		expect(both.filter(({ status }) => status === "fulfilled")).toHaveLength(1);
	});

	it("two people move one evening: the second is told", async () => {
		const one = evening(offset);
		await kept([one]);
		const move = (n: number) =>
			studio.act("saveSession", { session: { ...one, day: addDays(one.day, n) }, revision: 1 });
		expect(await move(1)).toMatchObject({ revision: 2 });
		expect((await refusal(move(2))).message).toContain("Somebody saved “Roof tiles” meanwhile");
	});

	it("six evenings move by a week and the promises of their pieces with them, all or none", async () => {
		const evenings = [0, 7, 14, 21, 28, 35].map((n) =>
			evening(offset + n, { promisedDay: addDays(today, offset + n + 10) }),
		);
		const course = await kept(evenings, { room: "Loft" });
		const ids = evenings.map(({ id }) => id);
		const studentId = await student("Vesper Lund");
		await studio.act("enrol", { sessionIds: ids, studentIds: [studentId] });
		const [kit] = (await studio.see("bench")).kits;
		const pieceId = randomUUID();
		await studio.act("issueKits", {
			sessionId: ids[1] ?? "",
			kitId: kit?.id ?? "",
			promisedDay: evenings[1]?.promisedDay ?? null,
			issues: [{ pieceId, eventId: randomUUID(), studentId }],
		});
		const sessions = (await seen(course.id)).sessions.map(({ id, revision }) => ({ id, revision }));
		// A class that stands in the way of the last one: none is moved.
		const inTheWay = await kept([evening(offset + 42, { startsAt: "20:00", endsAt: "23:00" })], { room: "Loft" });
		expect((await sentences(studio.act("moveSessions", { sessions, days: 7 })))[0]).toContain("sessions.5.startsAt");
		expect((await seen(course.id)).sessions.map(({ day }) => day)).toEqual(evenings.map(({ day }) => day));
		const [other] = (await seen(inTheWay.id)).sessions;
		await studio.act("cancelSession", { sessionId: other?.id ?? "", cancelled: true });
		expect(await studio.act("moveSessions", { sessions, days: 7 })).toEqual({ moved: 6, promises: 1 });
		const after = (await seen(course.id)).sessions;
		expect(after.map(({ day }) => day)).toEqual(evenings.map(({ day }) => addDays(day, 7)));
		expect(after.map(({ promisedDay }) => promisedDay)).toEqual(evenings.map(({ day }) => addDays(day, 17)));
		const [row] = await studio.db.select({ day: piece.promisedDay }).from(piece).where(eq(piece.id, pieceId));
		expect(row?.day).toBe(addDays(evenings[1]?.day ?? "", 17));
		// Sent again by somebody who saw it before: told, and nothing moves twice.
		expect((await refusal(studio.act("moveSessions", { sessions, days: 7 }))).kind).toBe("conflict");
		// What was called off does not come back into a room that is taken.
		const back = studio.act("cancelSession", { sessionId: other?.id ?? "", cancelled: false });
		expect((await refusal(back)).kind).toBe("conflict");
	});

	it("one evening's promise moves those of its pieces; called off, it is gone from the stations and stays on the calendar", async () => {
		const { session } = await studio.see("bench");
		const { sessions } = await studio.see("calendar", { from: today, to: today });
		const its = sessions.find(({ id }) => id === session?.id);
		if (!its?.promisedDay) throw new Error("no class today");
		const { id, day, startsAt, endsAt, promisedDay, revision } = its;
		const form = { id, day, startsAt, endsAt, promisedDay: addDays(promisedDay, 3) };
		const answer = await studio.act("saveSession", { session: form, revision });
		expect(answer.promises).toBe(its.pieces);
		expect((await studio.act("saveSession", { session: form, revision })).promises).toBe(0);
		await studio.act("cancelSession", { sessionId: id, cancelled: true });
		expect((await studio.see("bench")).sessions.map((one) => one.id)).not.toContain(id);
		const calendar = await studio.see("calendar", { from: today, to: today });
		expect(calendar.sessions.find((one) => one.id === id)?.cancelled).toBe(true);
		await studio.act("cancelSession", { sessionId: id, cancelled: false });
		expect((await studio.see("bench")).sessions.map((one) => one.id)).toContain(id);
	});
});

describe("places", () => {
	it("the lowest free seat first; who finds none waits in the order of coming, and gets the place that is given up", async () => {
		const one = evening(offset);
		const course = await kept([one]);
		const ids = await Promise.all(["Ada", "Bo", "Cy", "Di", "Ed"].map(student));
		const enrol = (studentIds: string[]) => studio.act("enrol", { sessionIds: [one.id], studentIds });
		expect(await enrol(ids)).toEqual({ enrolled: 3, waiting: 2, already: 0 });
		expect(await enrol(ids)).toEqual({ enrolled: 0, waiting: 0, already: 5 });
		const waits = async () =>
			(await seen(course.id)).attendees.filter((a) => a.evenings[one.id] === "waiting").map(({ name }) => name);
		expect(await waits()).toEqual(["Di", "Ed"]);
		await studio.act("leave", { sessionIds: [one.id], studentId: ids[1] ?? "" });
		expect(await enrol([ids[3] ?? ""])).toEqual({ enrolled: 1, waiting: 0, already: 0 });
		expect(await waits()).toEqual(["Ed"]);
		const seats = (await seen(course.id)).attendees.flatMap(({ name, evenings }) => {
			const its = evenings[one.id];
			return its && its !== "waiting" ? [[name, its.seat]] : [];
		});
		expect(seats).toEqual([
			["Ada", 1],
			["Cy", 3],
			["Di", 2],
		]);
	});

	it("a dozen who press at once get one seat each, and no seat is given twice", async () => {
		const one = evening(offset);
		const course = await kept([one], { places: 8 });
		const ids = await Promise.all(Array.from({ length: 12 }, (_, i) => student(`Presser ${i}`)));
		await Promise.all(ids.map((id) => studio.act("enrol", { sessionIds: [one.id], studentIds: [id] })));
		const { attendees, sessions } = await seen(course.id);
		const seats = attendees.flatMap(({ evenings }) => {
			const its = evenings[one.id];
			return its && its !== "waiting" ? [its.seat] : [];
		});
		expect([...seats].sort((a, b) => a - b)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
		expect(sessions[0]).toMatchObject({ students: 8, waiting: 4 });
	});

	it("whoever has a piece of the class stays in it; who came is marked, and unmarked", async () => {
		const { session, seats } = await studio.see("bench");
		const withPiece = seats.find(({ pieces }) => pieces.length > 0);
		if (!session || !withPiece) throw new Error("no piece of a class");
		const { studentId } = withPiece;
		const leave = studio.act("leave", { sessionIds: [session.id], studentId });
		expect((await refusal(leave)).message).toMatch(/^Their piece \w+ is of this class/);
		for (const attended of [true, false, null]) {
			await studio.act("markAttendance", { sessionId: session.id, studentId, attended });
			const { classes } = await studio.see("student", { id: studentId });
			expect(classes.find(({ sessionId }) => sessionId === session.id)?.attended).toBe(attended);
		}
	});
});

describe("students", () => {
	it("a list comes in: new ones are added, known ones get only what is new, all get a place; twice is once", async () => {
		const one = evening(offset);
		await kept([one]);
		const knownId = await student("Nell Harrow");
		const form = (id: string, name: string, email: string | null, note = "", revision = 0) => ({
			id,
			revision,
			name,
			email,
			note,
			phone: "",
			adult: "",
		});
		const list = [
			form(knownId, "Nell Harrow", "nell@ridge.example", "left-handed", 1),
			...["Ola", "Pim", "Quy"].map((name) => form(randomUUID(), name, null)),
		];
		const input = { students: list, sessionIds: [one.id] };
		expect(await studio.act("takeStudents", input)).toEqual({ added: 3, changed: 1, enrolled: 3, waiting: 1 });
		expect(await studio.act("takeStudents", input)).toEqual({ added: 0, changed: 0, enrolled: 0, waiting: 0 });
		await studio.act("takeStudents", { students: [form(knownId, "Nell Harrow", null)], sessionIds: [] });
		const { student: nell, revision } = await studio.see("student", { id: knownId });
		expect(nell).toMatchObject({ email: "nell@ridge.example", note: "left-handed" });
		expect(revision).toBe(2);
		// Somebody wrote Nell’s telephone down while the list was being looked at.
		const late = form(knownId, "Nell Harrow", "nell@mill.example", "", 1);
		await expect(studio.act("takeStudents", { students: [late], sessionIds: [] })).rejects.toMatchObject({
			status: 409,
			message: expect.stringContaining("Nell Harrow"),
		});
		expect((await studio.see("student", { id: knownId })).student.email).toBe("nell@ridge.example");
		const again = { students: [{ ...late, revision: 2 }], sessionIds: [] };
		expect(await studio.act("takeStudents", again)).toMatchObject({ changed: 1 });
	});

	it("over the years: classes and pieces, newest first", async () => {
		const { students } = await studio.see("students");
		const maker = students.find(({ pieces }) => pieces > 0);
		const record = await studio.see("student", { id: maker?.id ?? "" });
		expect(record.pieces).toHaveLength(maker?.pieces ?? 0);
		expect(record.classes).toHaveLength(maker?.classes ?? 0);
		expect(record.pieces[0]?.issuedOn).toMatch(/^\d{4}-\d\d-\d\d$/);
	});

	it("forgotten: no name anywhere in the database, and every figure of their pieces stays", async () => {
		const name = "Isolde Quarrymaster";
		const one = evening(offset);
		await kept([one]);
		const studentId = await student(name);
		await studio.act("saveStudent", {
			student: {
				id: studentId,
				name,
				email: "isolde@quarry.example",
				phone: "0043 1",
				note: "Isolde is left-handed",
				adult: "",
			},
			revision: 1,
		});
		await studio.act("enrol", { sessionIds: [one.id], studentIds: [studentId] });
		const [kit] = (await studio.see("bench")).kits;
		const pieceId = randomUUID();
		const { codes } = await studio.act("issueKits", {
			sessionId: one.id,
			kitId: kit?.id ?? "",
			promisedDay: null,
			issues: [{ pieceId, eventId: randomUUID(), studentId }],
		});
		const [code = ""] = codes;
		const before = await studio.see("piece", { code });
		await studio.act("note", {
			pieceId,
			eventId: randomUUID(),
			note: "Isolde wants a ring; Quarrymaster pays",
		});
		const neighbour = await student("Neighbour");
		await studio.act("saveStudent", {
			student: {
				id: neighbour,
				name: "Neighbour",
				email: null,
				phone: "",
				note: "comes with Isolde Quarrymaster",
				adult: "",
			},
			revision: 1,
		});
		const others = (await studio.see("students")).students.length;
		await studio.act("eraseStudent", { studentId });
		await studio.act("eraseStudent", { studentId });
		expect((await studio.see("students")).students).toHaveLength(others - 1);
		const after = await studio.see("piece", { code });
		expect(after.piece.kit).toBe(before.piece.kit);
		expect(after.piece.student).toBeNull();
		expect(JSON.stringify(after)).toContain("… wants a ring; … pays");
		expect(await textIn(studio.url, /isolde|quarrymaster|0043 1/i)).toEqual([]);
	});
});

/** Tables in any of whose rows something like this is written. */
async function textIn(url: string, pattern: RegExp): Promise<string[]> {
	const { sql, close } = connect(url, 1);
	const tables = await sql<{ name: string }[]>`select tablename as name from pg_tables where schemaname = 'public'`;
	const found: string[] = [];
	for (const { name } of tables) {
		const rows = await sql<
			{ text: string }[]
		>`select t::text as text from ${sql(name)} t where t::text ~* ${pattern.source}`;
		if (rows.length > 0) found.push(name);
	}
	await close();
	return found;
}
