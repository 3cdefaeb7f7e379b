import { user } from "@db/schema";
import { feedFor } from "@server/courses/feed";
import { doorOf, join } from "@server/people/join";
import { eq } from "drizzle-orm";
import ICAL from "ical.js";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

const DAY_MS = 86_400_000;
const invited = async (role: "assistant" | "instructor" = "assistant") =>
	(await studio.act("invite", { role, forWhom: "Otto from the foundry" })).path.split("/").at(-1) ?? "";
const typed = (email: string) => ({ name: "Otto Bree", email, password: "seven lanterns on a pump" });
const enters = (key: string, form: object, now = new Date()) => join(studio.db, key, form, new Headers(), now);

describe("an invitation", () => {
	it("makes one account of its role, and is kept as a hash only", async () => {
		const key = await invited("instructor");
		expect(key).toMatch(/^[\w-]{32}$/);
		expect(await doorOf(studio.db, key, new Date())).toEqual({ open: true, role: "instructor" });
		await enters(key, typed("otto@foundry.example"));
		const [row] = await studio.db.select().from(user).where(eq(user.email, "otto@foundry.example"));
		expect(row).toMatchObject({ name: "Otto Bree", role: "instructor", demoPassword: false });
		const people = await studio.see("people");
		expect(JSON.stringify(people)).not.toContain(key);
		expect(people.audit.slice(0, 2).map(({ kind }) => kind)).toEqual(["joined", "invited"]);
	});

	it("used twice, too late, taken back, made up: each is told in one sentence", async () => {
		const used = await invited();
		await enters(used, typed("first@foundry.example"));
		expect((await refusal(enters(used, typed("second@foundry.example")))).message).toContain("was used already");
		const late = await invited();
		const inAWeek = new Date(Date.now() + 7 * DAY_MS + 1000);
		expect((await refusal(enters(late, typed("third@foundry.example"), inAWeek))).message).toContain(
			"more than a week old",
		);
		const [open] = (await studio.see("people")).invitations;
		await studio.act("takeBackInvitation", { invitationId: open?.id ?? "" });
		expect((await refusal(enters(late, typed("third@foundry.example")))).message).toContain("not one of this studio");
		expect(await doorOf(studio.db, "x".repeat(32), new Date())).toMatchObject({ open: false });
		expect((await studio.see("people")).invitations).toEqual([]);
	});

	it("two presses at once make one account", async () => {
		const key = await invited();
		const both = await Promise.allSettled([
			enters(key, typed("a@foundry.example")),
			enters(key, typed("b@foundry.example")),
		]);
		expect(both.map(({ status }) => status).sort()).toEqual(["fulfilled", "rejected"]);
	});

	it("an e-mail that has an account, a weak password: told at the field, and the invitation stays good", async () => {
		const key = await invited();
		const taken = await refusal(enters(key, typed("Marit@Tailvane.example")));
		expect(taken.problems).toEqual([
			{ path: ["email"], sentence: "Somebody has an account with this e-mail already." },
		]);
		const weak = await refusal(enters(key, { ...typed("c@foundry.example"), password: "ottobree12" }));
		expect(weak.problems[0]?.path).toEqual(["password"]);
		await enters(key, typed("c@foundry.example"));
	});

	it("is an instructor's to give; nobody changes their own role", async () => {
		const asAssistant = { role: "assistant" } as const;
		const act = studio.act("invite", { role: "instructor", forWhom: "me" }, asAssistant);
		expect((await refusal(act)).kind).toBe("forbidden");
		const { people } = await studio.see("people");
		const own = people.find((one) => one.own)?.id ?? "";
		const jonty = people.find(({ name }) => name === "Jonty Applewhaite")?.id ?? "";
		expect((await refusal(studio.act("setRole", { userId: own, role: "assistant" }))).kind).toBe("conflict");
		await studio.act("setRole", { userId: jonty, role: "instructor" });
		expect((await studio.see("people")).people.find(({ id }) => id === jonty)?.role).toBe("instructor");
		await studio.act("setRole", { userId: jonty, role: "assistant" });
	});
});

describe("the calendar feed", () => {
	it("is read by whoever has the address, by nobody with an old one, and names nobody", async () => {
		const now = new Date();
		expect(await feedFor(studio.db, "", now)).toBeUndefined();
		const keyOf = async () =>
			(await studio.act("makeCalendarLink", { on: true })).path?.match(/([\w-]{32})\.ics$/)?.[1] ?? "";
		const old = await keyOf();
		const key = await keyOf();
		expect(await feedFor(studio.db, old, now)).toBeUndefined();
		const text = (await feedFor(studio.db, key, now)) ?? "";
		const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents("vevent").map((one) => new ICAL.Event(one));
		expect(events.map(({ summary }) => summary)).toContain("Wind and weather");
		for (const { name } of (await studio.see("students")).students) expect(text).not.toContain(name);
		expect((await studio.see("calendar", {}, now)).feedPath).toContain(key);
		expect((await studio.see("calendar", {}, now, "assistant")).feedPath).toBeNull();
		await studio.act("makeCalendarLink", { on: false });
		expect(await feedFor(studio.db, key, now)).toBeUndefined();
	});
});
