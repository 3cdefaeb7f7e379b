import { randomUUID } from "node:crypto";
import { addDays } from "@core/calendar/days";
import { dayOf } from "@formats/time";
import { signUp, signUpDoor } from "@server/courses/sign-up";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
let kits: { id: string; name: string }[];
beforeAll(async () => {
	studio = await demoStudio();
	({ kits } = await studio.see("calendar"));
});
afterAll(() => studio.close());

let rooms = 0;
/** A course in a room of its own, with an address; three places, two small kits and a large one. */
async function openCourse(change: { places?: number; kitIds?: string[] } = {}) {
	const id = randomUUID();
	const day = addDays(dayOf(new Date(), "America/Denver"), 2);
	rooms++;
	const [a, b, c] = kits.map((kit) => kit.id);
	const kitIds = change.kitIds ?? [a ?? "", b ?? "", c ?? ""];
	const course = {
		id,
		title: "Kites",
		about: "Kites in two layers.",
		room: `Loft ${rooms}`,
		places: change.places ?? 3,
		priceMinor: 4500,
		kitIds,
		largeKitIds: kitIds.slice(2),
		smallKits: 2,
	};
	const evenings = [0, 7].map((days) => ({
		id: randomUUID(),
		day: addDays(day, days),
		startsAt: "18:00",
		endsAt: "20:00",
		promisedDay: null,
	}));
	await studio.act("saveCourse", { course, revision: 0, evenings });
	const { path } = await studio.act("makeSignUpLink", { courseId: id, on: true });
	return { id, kitIds, evenings, key: path?.split("/").at(-1) ?? "" };
}

let person = 0;
const form = (change: Record<string, unknown> = {}) => ({
	name: `Somebody ${++person}`,
	email: `somebody${person}@post.example`,
	phone: "",
	adult: "",
	note: "",
	kitIds: [] as string[],
	...change,
});
/** Each from an address of its own, and after the one before. */
const ask = (key: string, typed: unknown, address = `10.0.0.${++person}`, now = new Date(Date.now() + person)) =>
	signUp(studio.db, key, typed, address, now);
const door = async (key: string) => {
	const its = await signUpDoor(studio.db, key, new Date());
	if (!its.open) throw new Error(its.sentence);
	return its;
};
const sentence = async (work: Promise<unknown>) => (await refusal(work)).problems[0]?.sentence;

describe("signing up from outside", () => {
	it("is off until somebody opens it, and the address before is not answered any more", async () => {
		const { id, key } = await openCourse();
		expect(await door(key)).toMatchObject({
			title: "Kites",
			room: `Loft ${rooms}`,
			places: 3,
			left: 3,
			priceMinor: 4500,
		});
		const { path } = await studio.act("makeSignUpLink", { courseId: id, on: true });
		expect((await signUpDoor(studio.db, key, new Date())).open).toBe(false);
		await studio.act("makeSignUpLink", { courseId: id, on: false });
		expect((await signUpDoor(studio.db, path?.split("/").at(-1) ?? "", new Date())).open).toBe(false);
		expect((await studio.see("course", { id })).signUpPath).toBeNull();
		expect((await studio.see("course", { id }, undefined, "assistant")).signUps).toEqual([]);
	});

	it("shows strangers the course and its kits, and nobody's name, address or number", async () => {
		const { key, kitIds } = await openCourse();
		await ask(key, form({ name: "Private Person", kitIds: kitIds.slice(0, 1) }));
		const shown = JSON.stringify(await door(key));
		expect(shown).not.toMatch(/Private|@|studentId/);
		expect((await door(key)).kits.map(({ isLarge }) => isLarge)).toEqual([false, false, true]);
	});

	it("several small kits or one large one: anything else is told, and nothing is written", async () => {
		const { id, key, kitIds } = await openCourse();
		const [a = "", b = "", large = ""] = kitIds;
		for (const [chosen, said] of [
			[[], /would like to make/],
			[[a, large], /alone/],
			[[randomUUID()], /no longer offered/],
		] as const)
			expect(await sentence(ask(key, form({ kitIds: chosen })))).toMatch(said);
		expect((await studio.see("course", { id })).signUps).toEqual([]);
		await ask(key, form({ kitIds: [a, b] }));
		await ask(key, form({ kitIds: [large] }));
		const { signUps } = await studio.see("course", { id });
		expect(signUps.map((one) => one.kits.length)).toEqual([2, 1]);
	});

	it("the last place is given once, to two who ask at once; the other waits", async () => {
		const { id, key, kitIds } = await openCourse({ places: 1 });
		const came = await Promise.all([1, 2, 3].map(() => ask(key, form({ kitIds: kitIds.slice(0, 1) }))));
		expect(came.map(({ waiting }) => waiting).sort()).toEqual([false, true, true]);
		expect((await door(key)).left).toBe(0);
		expect((await studio.see("course", { id })).signUps.filter(({ waiting }) => waiting)).toHaveLength(2);
	});

	it("one person asks once, however they write themselves, and learns nothing by asking again; a family shares an e-mail", async () => {
		const { id, key, kitIds } = await openCourse();
		const first = form({ kitIds: kitIds.slice(0, 1), email: "Twice@Post.example" });
		expect(await ask(key, first)).toEqual({ waiting: false });
		const again = { ...first, name: first.name.toUpperCase(), email: "twice@post.EXAMPLE" };
		expect(await ask(key, again)).toEqual({ waiting: false });
		await ask(key, { ...first, name: "Their sister" });
		const { signUps } = await studio.see("course", { id });
		expect(signUps.map(({ name }) => name)).toEqual([first.name, "Their sister"]);
	});

	it("let in, somebody new comes into the book and into every evening to come; somebody known by name and e-mail is the same person", async () => {
		const { id, key, kitIds } = await openCourse();
		const knownId = randomUUID();
		const known = { id: knownId, name: "Known Before", email: "known@post.example", phone: "", note: "", adult: "" };
		await studio.act("saveStudent", { student: known, revision: 0 });
		await ask(key, form({ name: "New One", adult: "Their mother", note: "left-handed", kitIds: kitIds.slice(0, 2) }));
		await ask(key, form({ name: "known  before", email: "KNOWN@post.example", kitIds: kitIds.slice(2) }));
		const { signUps } = await studio.see("course", { id });
		expect(signUps.map((one) => one.known.map(({ name }) => name))).toEqual([[], ["Known Before"]]);
		for (const one of signUps) {
			const sent = { signUpId: one.id, letIn: true };
			expect(await studio.act("decideSignUp", sent)).toEqual({ enrolled: 1, waiting: 0 });
			expect(await studio.act("decideSignUp", sent)).toEqual({ enrolled: 0, waiting: 0 });
		}
		const after = await studio.see("course", { id });
		expect(after.signUps).toEqual([]);
		expect(
			after.attendees.map(({ name, chose, evenings }) => [name, chose.length, Object.keys(evenings).length]),
		).toEqual([
			["Known Before", 1, 2],
			["New One", 2, 2],
		]);
		expect(after.attendees.find(({ name }) => name === "Known Before")?.studentId).toBe(knownId);
		const bench = await studio.see("bench", { session: after.sessions[0]?.id ?? "" });
		expect(bench.seats.find(({ name }) => name === "New One")?.chose).toHaveLength(2);
		const { student } = await studio.see("student", { id: after.attendees[1]?.studentId ?? "" });
		expect(student).toMatchObject({ adult: "Their mother", note: "left-handed" });
	});

	it("an e-mail that the book knows by another name: a child is not taken for its mother; who says so is", async () => {
		const { id, key, kitIds } = await openCourse();
		const mother = { id: randomUUID(), name: "Runa Hale", email: "hale@post.example", phone: "", note: "", adult: "" };
		await studio.act("saveStudent", { student: mother, revision: 0 });
		for (const name of ["Tove Hale", "Odd Hale", "R. Hale"])
			await ask(key, form({ name, email: "hale@post.example", kitIds: kitIds.slice(0, 1) }));
		const { signUps } = await studio.see("course", { id });
		const [tove, odd, runa] = signUps.map((one) => one.id);
		await studio.act("decideSignUp", { signUpId: tove ?? "", letIn: true });
		await studio.act("decideSignUp", { signUpId: odd ?? "", letIn: true, as: null });
		const stranger = studio.act("decideSignUp", { signUpId: runa ?? "", letIn: true, as: randomUUID() });
		expect(await sentence(stranger)).toMatch(/Nobody in the book has the e-mail hale@post.example/);
		await studio.act("decideSignUp", { signUpId: runa ?? "", letIn: true, as: mother.id });
		const { attendees } = await studio.see("course", { id });
		expect(attendees.map(({ name }) => name)).toEqual(["Odd Hale", "Runa Hale", "Tove Hale"]);
		const other = await openCourse();
		for (const name of ["Tove Hale", "Odd Hale"])
			await ask(other.key, form({ name, email: "hale@post.example", kitIds: kitIds.slice(0, 1) }));
		await studio.act("eraseStudent", {
			studentId: attendees.find(({ name }) => name === "Tove Hale")?.studentId ?? "",
		});
		expect((await studio.see("course", { id: other.id })).signUps.map(({ name }) => name)).toEqual(["Odd Hale"]);
		expect((await studio.see("course", { id })).attendees).toHaveLength(2);
	});

	it("told no, somebody is not kept; let in where no place is free, somebody waits", async () => {
		const { id, key, kitIds } = await openCourse({ places: 1 });
		await ask(key, form({ name: "First", kitIds: kitIds.slice(0, 1) }));
		await ask(key, form({ name: "Second", kitIds: kitIds.slice(0, 1) }));
		await ask(key, form({ name: "Third", kitIds: kitIds.slice(0, 1) }));
		const { signUps } = await studio.see("course", { id });
		const [first, second, third] = signUps.map((one) => one.id);
		await studio.act("decideSignUp", { signUpId: third ?? "", letIn: false });
		await studio.act("decideSignUp", { signUpId: first ?? "", letIn: true });
		expect(await studio.act("decideSignUp", { signUpId: second ?? "", letIn: true })).toEqual({
			enrolled: 0,
			waiting: 1,
		});
		expect((await studio.see("course", { id })).signUps).toEqual([]);
		expect(await sentence(studio.act("decideSignUp", { signUpId: third ?? "", letIn: true }))).toMatch(/gone/);
		expect(await sentence(studio.act("decideSignUp", { signUpId: first ?? "", letIn: false }))).toMatch(/was let in/);
	});

	it("from one address twelve in an hour and no more, right or wrong; an hour later again", async () => {
		const { key, kitIds } = await openCourse({ places: 40 });
		const now = new Date();
		for (let i = 0; i < 12; i++) await ask(key, form({ kitIds: kitIds.slice(0, 1) }), "10.9.9.9", now).catch(() => {});
		const typed = form({ kitIds: kitIds.slice(0, 1) });
		expect(await sentence(ask(key, typed, "10.9.9.9", now))).toMatch(/Too many have signed up from here/);
		expect(await ask(key, typed, "10.9.9.8", now)).toEqual({ waiting: false });
		const later = new Date(now.getTime() + 3_700_000);
		expect(await ask(key, form({ kitIds: kitIds.slice(0, 1) }), "10.9.9.9", later)).toEqual({ waiting: false });
	});

	it("what is not typed is told at its field; a forgotten student's sign-ups go with them", async () => {
		const { id, key, kitIds } = await openCourse();
		const wrong = await refusal(ask(key, form({ name: "", email: "nobody" })));
		expect(wrong.problems.map(({ path }) => path[0])).toEqual(["name", "email"]);
		await ask(key, form({ name: "Gone Soon", email: "gone@post.example", kitIds: kitIds.slice(0, 1) }));
		const other = await openCourse();
		await ask(other.key, form({ name: "Gone Soon", email: "Gone@post.example", kitIds: kitIds.slice(0, 1) }));
		const { signUps } = await studio.see("course", { id });
		await studio.act("decideSignUp", { signUpId: signUps[0]?.id ?? "", letIn: true });
		const [gone] = (await studio.see("course", { id })).attendees;
		await studio.act("eraseStudent", { studentId: gone?.studentId ?? "" });
		expect((await studio.see("course", { id: other.id })).signUps).toEqual([]);
		expect((await studio.see("course", { id })).attendees).toEqual([]);
	});

	it("a course whose evenings are over or that was put away has no door", async () => {
		const { id, key, kitIds } = await openCourse();
		const later = new Date(Date.now() + 9 * 365 * 86_400_000);
		expect((await signUpDoor(studio.db, key, later)).open).toBe(false);
		await ask(key, form({ kitIds: kitIds.slice(0, 1) }));
		const used = studio.act("strikeOut", { what: "course", id });
		expect(await sentence(used)).toBe("“Kites” stays in the book for 1 sign-up. Put it away instead.");
		await studio.act("putAway", { what: "course", id, retired: true });
		expect((await signUpDoor(studio.db, key, new Date())).open).toBe(false);
		expect((await studio.see("calendar")).courses.some((one) => one.id === id)).toBe(false);
		const unused = await openCourse();
		await studio.act("strikeOut", { what: "course", id: unused.id });
		expect((await refusal(studio.see("course", { id: unused.id }))).kind).toBe("missing");
	});
});
