import { randomUUID } from "node:crypto";
import { audit, piece, secondFactor, session, studio as studioTable, user } from "@db/schema";
import { ACTIONS, LOOKS } from "@server/house/bucket";
import { desc, eq } from "drizzle-orm";
import { Secret, TOTP } from "otpauth";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { buildIfChanged } from "../../scripts/build";
import { cookieOf, PASSWORD, post, somebody } from "../support/person";
import { type RunningServer, startServer } from "../support/server";
import { type DemoStudio, demoStudio } from "../support/studio";

/** Accounts, sessions, and what is written down of them, at a running server. */
let studio: DemoStudio;
let server: RunningServer;
beforeAll(async () => {
	buildIfChanged();
	studio = await demoStudio();
	server = await startServer(studio.url);
});
afterAll(async () => {
	await server?.end();
	await studio?.close();
});

type Person = Awaited<ReturnType<typeof somebody>>;
let instructor: Person;
let assistant: Person;
beforeEach(async () => {
	instructor = await somebody(studio.db, "instructor");
	assistant = await somebody(studio.db, "assistant");
});

const see = (path: string, Cookie: string) =>
	fetch(`${server.address}${path}`, { headers: { Cookie }, redirect: "manual" });
const act = (name: string, body: unknown, Cookie: string) => post(server.address, `/api/do/${name}`, body, { Cookie });
const happened = async (kind: (typeof audit.$inferSelect)["kind"]) =>
	(await studio.db.select().from(audit).where(eq(audit.kind, kind)).orderBy(desc(audit.id)))[0];

/** The stream of live updates, read until it ends; what it said. */
async function listen(Cookie: string) {
	const response = await fetch(`${server.address}/api/live`, { headers: { Cookie } });
	let text = "";
	const over = (async () => {
		const decoder = new TextDecoder();
		try {
			for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) text += decoder.decode(chunk);
		} catch {
			// cut off
		}
		return text;
	})();
	return { status: response.status, over, leave: () => response.body?.cancel().catch(() => {}) };
}

describe("a code at the door", () => {
	it("is asked for once it was confirmed, taken once, and replaced once by each code that was written down", async () => {
		const cookie = await cookieOf(server.address, instructor.email);
		expect((await act("beginSecondFactor", { current: "not it at all" }, cookie)).status).toBe(400);
		const begun = await (await act("beginSecondFactor", { current: PASSWORD }, cookie)).json();
		expect(begun.qrPath).toMatch(/^M/);
		const device = new TOTP({ secret: Secret.fromBase32(begun.secret) });
		const enter = async (code?: string) =>
			(
				await post(server.address, "/api/auth/sign-in/email", {
					email: instructor.email,
					password: PASSWORD,
					...(code !== undefined && { code }),
				})
			).status;
		expect(await enter()).toBe(200); // not confirmed: nothing is asked for
		expect((await act("confirmSecondFactor", { code: "000000" }, cookie)).status).toBe(400);
		const typed = device.generate();
		const confirmed = await act("confirmSecondFactor", { code: typed }, cookie);
		const { recovery } = await confirmed.json();
		expect(recovery).toHaveLength(8);

		const asked = await post(server.address, "/api/auth/sign-in/email", {
			email: instructor.email,
			password: PASSWORD,
		});
		expect(asked.status).toBe(401);
		expect((await asked.json()).problems[0].path).toEqual(["code"]);
		expect(asked.headers.getSetCookie()).toEqual([]);
		const before = await studio.db.select().from(session).where(eq(session.userId, instructor.id));
		expect(await enter("123456")).toBe(401);
		expect(await enter(typed)).toBe(401); // it opened the account page's lock a moment ago
		expect(await studio.db.select().from(session).where(eq(session.userId, instructor.id))).toHaveLength(before.length);
		expect(await enter(recovery[0])).toBe(200);
		expect(await enter(recovery[0])).toBe(401);
		expect(await enter(recovery[1])).toBe(200);

		expect((await act("dropSecondFactor", { userId: instructor.id, current: PASSWORD }, cookie)).status).toBe(200);
		expect(await enter()).toBe(200);
		expect((await happened("secondFactor"))?.about).toContain("switched off");
		const written = await studio.db.select().from(audit);
		expect(JSON.stringify(written)).not.toContain(begun.secret);
		expect(JSON.stringify(written)).not.toContain(PASSWORD);
	});
});

describe("a code that the studio asks for", () => {
	const customs = async (change: object) => {
		const [row] = await studio.db.select({ id: studioTable.id, customs: studioTable.customs }).from(studioTable);
		if (row)
			await studio.db
				.update(studioTable)
				.set({ customs: { ...row.customs, ...change } })
				.where(eq(studioTable.id, row.id));
	};

	it("of instructors: they set it up before anything else is open to them, assistants go on", async () => {
		const own = await cookieOf(server.address, instructor.email);
		const theirs = await cookieOf(server.address, assistant.email);
		await customs({ codesFor: "instructors" });
		try {
			expect((await see("/api/see/today", theirs)).status).toBe(200);
			expect((await see("/", own)).headers.get("location")).toBe("/code");
			for (const path of ["/api/see/today", "/api/see/frame", "/api/see/people", "/api/live", "/api/photos/x"])
				expect([path, (await see(path, own)).status]).toEqual([path, 403]);
			expect((await act("setRole", { userId: assistant.id, role: "instructor" }, own)).status).toBe(403);
			expect(await (await see("/code", own)).text()).toContain("A code first");
			const { secret } = await (await act("beginSecondFactor", { current: PASSWORD }, own)).json();
			expect((await see("/api/see/today", own)).status).toBe(403); // it is not confirmed yet
			const code = new TOTP({ secret: Secret.fromBase32(secret) }).generate();
			expect((await act("confirmSecondFactor", { code }, own)).status).toBe(200);
			expect((await see("/api/see/today", own)).status).toBe(200);
			await customs({ codesFor: "everybody" });
			expect((await see("/api/see/today", theirs)).status).toBe(403);
			expect((await act("beginSecondFactor", { current: PASSWORD }, theirs)).status).toBe(200);
			// Whoever switches it off owes it again.
			expect((await act("dropSecondFactor", { userId: instructor.id, current: PASSWORD }, own)).status).toBe(200);
			expect((await see("/api/see/today", own)).status).toBe(403);
		} finally {
			await customs({ codesFor: "nobody" });
			await studio.db.delete(secondFactor);
		}
	});
});

describe("sessions and accounts", () => {
	it("a code whose device is lost is switched off by another instructor, with their own password, and by nobody else", async () => {
		const own = await cookieOf(server.address, instructor.email);
		const theirs = await cookieOf(server.address, assistant.email);
		const known = { userId: assistant.id, secret: "sealed elsewhere", confirmedAt: new Date() };
		await studio.db.insert(secondFactor).values(known);
		expect(await cookieOf(server.address, assistant.email)).toBe("");
		const drop = { userId: assistant.id, current: PASSWORD };
		// An assistant switches off their own, with their password, and nobody else’s.
		expect((await act("dropSecondFactor", { ...drop, userId: instructor.id }, theirs)).status).toBe(403);
		expect((await act("dropSecondFactor", { ...drop, current: "not it" }, theirs)).status).toBe(400);
		expect((await act("dropSecondFactor", { ...drop, current: "not it" }, own)).status).toBe(400);
		expect((await act("dropSecondFactor", drop, own)).status).toBe(200);
		expect((await act("dropSecondFactor", drop, own)).status).toBe(200); // sent twice
		expect(await cookieOf(server.address, assistant.email)).not.toBe("");
		expect((await happened("secondFactor"))?.about).toContain(assistant.name);
	});

	it("an account that is shut is shut at once, everywhere; its person cannot come in until it is opened again", async () => {
		const own = await cookieOf(server.address, instructor.email);
		const theirs = await cookieOf(server.address, assistant.email);
		const stream = await listen(theirs);
		expect((await see("/api/see/today", theirs)).status).toBe(200);
		expect((await act("setDisabled", { userId: instructor.id, disabled: true }, own)).status).toBe(409);
		expect((await act("setDisabled", { userId: instructor.id, disabled: true }, theirs)).status).toBe(403);
		expect((await act("setDisabled", { userId: assistant.id, disabled: true }, own)).status).toBe(200);
		expect(await stream.over).toContain("signedOut");
		expect((await see("/api/see/today", theirs)).status).toBe(401);
		expect(await cookieOf(server.address, assistant.email)).toBe("");
		const { people } = await studio.see("people");
		expect(people.find(({ id }) => id === assistant.id)?.sessions).toEqual([]);
		expect((await act("setDisabled", { userId: assistant.id, disabled: false }, own)).status).toBe(200);
		expect(await cookieOf(server.address, assistant.email)).not.toBe("");
		expect((await happened("disabled"))?.actorName).toBe(instructor.name);
		expect((await happened("forbidden"))?.about).toContain("setDisabled");
	});

	it("a session ends when somebody ends it: one’s own, or as an instructor another’s, never as an assistant", async () => {
		const own = await cookieOf(server.address, instructor.email);
		const [here, there] = [
			await cookieOf(server.address, assistant.email),
			await cookieOf(server.address, assistant.email),
		];
		expect((await act("endSessions", { userId: instructor.id }, here)).status).toBe(403);
		expect((await (await act("endSessions", { userId: assistant.id }, here)).json()).ended).toBeGreaterThan(0);
		expect([(await see("/account", here)).status, (await see("/account", there)).status]).toEqual([200, 302]);
		const { sessions } = await (await see("/api/see/account", here)).json();
		expect(sessions).toHaveLength(1);
		await act("endSessions", { userId: assistant.id, sessionId: sessions[0].id }, own);
		expect((await see("/account", here)).status).toBe(302);
	});

	it("a session is over after thirty days, however often it was used", async () => {
		const cookie = await cookieOf(server.address, assistant.email);
		const at = (days: number) =>
			studio.db
				.update(session)
				.set({ createdAt: new Date(Date.now() - days * 86_400_000) })
				.where(eq(session.userId, assistant.id));
		await at(29.9);
		expect((await see("/api/see/today", cookie)).status).toBe(200);
		await at(30.1);
		expect((await see("/api/see/today", cookie)).status).toBe(401);
	});

	it("a password that is among the first that somebody would try is not taken", async () => {
		const cookie = await cookieOf(server.address, assistant.email);
		const first = assistant.name.split(" ")[0]?.toLowerCase();
		for (const next of ["1234567890", "password123", `${first}${first}`]) {
			const answer = await act("changePassword", { current: PASSWORD, next }, cookie);
			expect([next, answer.status]).toEqual([next, 400]);
			expect((await answer.json()).problems[0].path).toEqual(["next"]);
		}
	});

	it("signing in, being refused and signing out are written down, with who and from where; nobody unwrites them", async () => {
		const cookie = await cookieOf(server.address, assistant.email);
		expect(await happened("signedIn")).toMatchObject({ actorId: assistant.id, address: "127.0.0.1" });
		await cookieOf(server.address, assistant.email, "not the right one");
		expect(await happened("signInRefused")).toMatchObject({ actorId: null });
		expect((await happened("signInRefused"))?.about).toContain(assistant.email);
		const stream = await listen(cookie);
		await post(server.address, "/api/auth/sign-out", {}, { Cookie: cookie });
		expect(await happened("signedOut")).toMatchObject({ actorId: assistant.id });
		expect(await stream.over).toContain("signedOut");
		await expect(studio.db.update(audit).set({ about: "" })).rejects.toThrow();
		await expect(studio.db.delete(audit)).rejects.toThrow();
	});

	it("a kit that is taken out is written down", async () => {
		const cookie = await cookieOf(server.address, instructor.email);
		const { kits } = await studio.see("kits");
		expect((await see(`/api/kits/${kits[0]?.id}/kit.json`, cookie)).status).toBe(200);
		expect((await happened("exported"))?.about).toContain(".kit.json");
	});

	it("what was done stays under the name it was done with", async () => {
		const { kits } = await studio.see("kits");
		const { session: classOf, seats } = await studio.see("bench");
		const pieceId = crypto.randomUUID();
		const issue = { pieceId, eventId: crypto.randomUUID(), studentId: seats[0]?.studentId ?? "" };
		const of = { sessionId: classOf?.id ?? "", kitId: kits[0]?.id ?? "", promisedDay: null, issues: [issue] };
		await studio.act("issueKits", of);
		const [made] = await studio.db.select({ code: piece.code }).from(piece).where(eq(piece.id, pieceId));
		const name = instructor.name;
		await studio.db.update(user).set({ name: "Somebody Else" }).where(eq(user.id, instructor.id));
		const { history } = await studio.see("piece", { code: made?.code ?? "" });
		expect(history.map(({ by }) => by)).toEqual([name]);
		await studio.db.update(user).set({ name }).where(eq(user.id, instructor.id));
	});
});

describe("what every answer carries, and how much is answered", () => {
	it("has its headers, whatever it is", async () => {
		const cookie = await cookieOf(server.address, assistant.email);
		const page = await (await see("/account", cookie)).text();
		const script = /\/_astro\/[\w.-]+\.js/.exec(page)?.[0] ?? "";
		for (const [path, status, kept] of [
			["/sign-in", 302, "no-store"],
			["/account", 200, "no-store"],
			["/nothing/here", 404, "no-store"],
			["/api/see/nothing", 404, "no-store"],
			["/api/see/people", 403, "no-store"],
			["/_image?href=/favicon.svg", 404, "no-store"],
			[script, 200, "public, max-age=31536000, immutable"],
			["/favicon.svg", 200, "public, max-age=3600"],
		] as const) {
			const { status: came, headers } = await see(path, cookie);
			expect([path, came, headers.get("cache-control")]).toEqual([path, status, kept]);
			expect([path, headers.get("x-content-type-options")]).toEqual([path, "nosniff"]);
			const policy = headers.get("content-security-policy")?.includes("frame-ancestors 'none'") ?? false;
			expect([path, policy]).toEqual([path, path !== script]);
		}
		expect(await (await see("/nothing/here", cookie)).text()).toContain("There is no page at this address");
	});

	it("HEAD is GET without the body; the stream that never ends has none", async () => {
		const head = async (path: string) => {
			const response = await fetch(`${server.address}${path}`, { method: "HEAD", redirect: "manual" });
			return [response.status, await response.text()];
		};
		expect(await head("/sign-in")).toEqual([200, ""]);
		expect(await head("/favicon.svg")).toEqual([200, ""]);
		expect(await head("/account")).toEqual([302, ""]);
		expect(await head("/api/live")).toEqual([405, ""]);
	});

	it("one browser has six live streams; a seventh is told so, and one that leaves makes room", async () => {
		const cookie = await cookieOf(server.address, assistant.email);
		const streams = await Promise.all(Array.from({ length: 6 }, () => listen(cookie)));
		expect(streams.map(({ status }) => status)).toEqual(Array(6).fill(200));
		expect((await listen(cookie)).status).toBe(429);
		await act("endSessions", { userId: assistant.id }, await cookieOf(server.address, assistant.email));
		await Promise.all(streams.map(({ over }) => over));
	});

	it("nobody does more at once than hands can: the rest is told to wait", async () => {
		const cookie = await cookieOf(server.address, assistant.email);
		// Photos cost most: even a machine that takes minutes over these has not filled the bucket again meanwhile.
		const photo = () =>
			post(server.address, "/api/do/addPhoto?pieceId=x&eventId=x", "no image", { Cookie: cookie }).then(
				({ status }) => status,
			);
		const answers = new Set<number>();
		// In handfuls: hundreds of connections at once are refused by a busy machine before the bucket is.
		for (let sent = 0; sent < 3 * ACTIONS.burst && !answers.has(429); sent += 20)
			for (const status of await Promise.all(Array.from({ length: 20 }, photo))) answers.add(status);
		expect(answers).toEqual(new Set([400, 429]));
	});

	it("looking is counted too: what goes through a record costs more than a list", async () => {
		const cookie = await cookieOf(server.address, assistant.email);
		const look = (path: string) =>
			fetch(`${server.address}${path}`, { headers: { Cookie: cookie } }).then(({ status }) => status);
		// Of no kiln: answered at once, however slow the machine; what it would cost is counted before.
		const nobodys = `/api/see/kilnLesson?id=${randomUUID()}`;
		const answers: number[] = [];
		for (let sent = 0; sent < LOOKS.burst && !answers.includes(429); sent += 10)
			answers.push(...(await Promise.all(Array.from({ length: 10 }, () => look(nobodys)))));
		expect(answers).toContain(429);
		expect(answers.length).toBeLessThan(LOOKS.burst);
	});

	it("a body full of nonsense is answered in a few words", async () => {
		const cookie = await cookieOf(server.address, instructor.email);
		const nonsense = Object.fromEntries(Array.from({ length: 20_000 }, (_, i) => [`a field of no use ${i}`, i]));
		const answer = await act("signSafety", nonsense, cookie);
		expect([400, 429]).toContain(answer.status);
		expect((await answer.text()).length).toBeLessThan(4000);
	});
});
