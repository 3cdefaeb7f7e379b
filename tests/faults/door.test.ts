import { existsSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { attempt, user } from "@db/schema";
import { hashPassword } from "better-auth/crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { buildIfChanged } from "../../scripts/build";
import { clockOf } from "../support/clock";
import { cookieOf, PASSWORD, post as postTo, somebody as somebodyIn } from "../support/person";
import { type RunningServer, startServer } from "../support/server";
import { type DemoStudio, demoStudio } from "../support/studio";

/** What strangers, and people who guess, can do to a running server. */
const MB = 1024 * 1024;
const folder = mkdtempSync(join(tmpdir(), "zephyr-door-"));
const note = join(folder, "demo-sign-ins.json");

let studio: DemoStudio;
/** One that nothing stands before, and one behind a proxy. */
let server: RunningServer;
let behind: RunningServer;
beforeAll(async () => {
	buildIfChanged();
	studio = await demoStudio();
	server = await startServer(studio.url, { more: { ZEPHYR_DEMO_NOTE: note } });
	behind = await startServer(studio.url, { more: { ZEPHYR_TRUST_PROXY: "1" } });
	// However slow the machine: nobody's wait is over in the middle of a test.
	await clockOf(
		() => [server.process, server.jobs, behind.process, behind.jobs],
		async () => {},
	).hold();
});
beforeEach(async () => {
	await studio.db.delete(attempt);
});
afterAll(async () => {
	await server?.end();
	await behind?.end();
	await studio?.close();
	rmSync(folder, { recursive: true });
});

/** Somebody who can sign in, and the cookie of a fresh session. */
async function somebody(role: "instructor" | "assistant") {
	const { email } = await somebodyIn(studio.db, role);
	return { email, cookie: await cookieOf(server.address, email) };
}

const post = (to: RunningServer, path: string, body: unknown, headers: Record<string, string> = {}) =>
	postTo(to.address, path, body, headers);

const guess = async (to: RunningServer, email: string, i: number, headers: Record<string, string>) =>
	(await post(to, "/api/auth/sign-in/email", { email, password: `guess number ${i}` }, headers)).status;

describe("the demo’s door", () => {
	it("is opened by one press from this machine, as the role that was asked for, and by nobody else", async () => {
		const { email } = await somebody("assistant");
		const mine = eq(user.email, email);
		await studio.db.update(user).set({ demoPassword: true }).where(mine);
		writeFileSync(note, JSON.stringify([{ email, password: PASSWORD, role: "assistant" }]));
		const demo = await startServer(studio.url, { more: { ZEPHYR_DEMO_ENTRY: note, ZEPHYR_TRUST_PROXY: "1" } });
		try {
			const press = (role: string, headers: Record<string, string> = {}) =>
				post(demo, "/api/auth/enter-demo", { role }, headers);
			const entered = await press("assistant");
			expect(entered.status).toBe(200);
			const cookie = entered.headers.getSetCookie().map((one) => one.split(";")[0]);
			const seen = await fetch(`${demo.address}/api/see/today`, { headers: { Cookie: cookie.join("; ") } });
			expect(seen.status).toBe(200);
			// Nobody is noted as instructor; who comes through a proxy is not at this machine; others have no such door.
			expect((await press("instructor")).status).toBe(403);
			expect((await press("assistant", { "X-Forwarded-For": "203.0.113.9" })).status).toBe(403);
			expect((await post(server, "/api/auth/enter-demo", { role: "assistant" })).status).toBe(403);
			await studio.db.update(user).set({ demoPassword: false }).where(mine);
			expect((await press("assistant")).status).toBe(403);
		} finally {
			await demo.end();
		}
	});
});

describe("the door", () => {
	it("many changes of a password at once all get an answer, and the application goes on", async () => {
		const { cookie } = await somebody("assistant");
		const answers = await Promise.all(
			Array.from({ length: 24 }, (_, i) =>
				post(
					server,
					"/api/do/changePassword",
					{ current: "not the present one", next: `another one ${i}` },
					{ Cookie: cookie },
				),
			),
		);
		for (const { status } of answers) expect([400, 429]).toContain(status);
		expect((await fetch(`${server.address}/api/health/ready`)).status).toBe(200);
	});

	it("a password is not guessed through its change: after a few tries one has to wait", async () => {
		const { cookie } = await somebody("instructor");
		const answers: number[] = [];
		for (let i = 0; i < 8; i++)
			answers.push(
				(
					await post(
						server,
						"/api/do/changePassword",
						{ current: `guess ${i}`, next: "ladder tarpaulin vinegar" },
						{ Cookie: cookie },
					)
				).status,
			);
		expect(answers).toContain(429);
		expect(answers.slice(0, 5)).toEqual([400, 400, 400, 400, 400]);
	});

	it("a changed password is another one, never the one the first start printed, and its note goes", async () => {
		const { email, cookie } = await somebody("assistant");
		const demoHash = await hashPassword("printed at the start");
		await studio.db.update(user).set({ demoHash, demoPassword: true }).where(eq(user.email, email));
		writeFileSync(note, JSON.stringify([{ email, password: "printed at the start", role: "assistant" }]));
		const change = async (next: string) =>
			(await post(server, "/api/do/changePassword", { current: PASSWORD, next }, { Cookie: cookie })).status;
		expect(await change(PASSWORD)).toBe(400);
		expect(await change("printed at the start")).toBe(400);
		expect(existsSync(note)).toBe(true);
		expect(await change("another long password")).toBe(200);
		expect(existsSync(note)).toBe(false);
		const [person] = await studio.db.select().from(user).where(eq(user.email, email));
		expect(person?.demoPassword).toBe(false);
	});

	it("whatever a sender says of its address, guessing at one account has to wait", async () => {
		const answers: number[] = [];
		for (let i = 0; i < 8; i++)
			answers.push(await guess(server, "nobody@tailvane.example", i, { "X-Forwarded-For": `203.0.113.${i}` }));
		expect(answers.slice(0, 5)).toEqual([401, 401, 401, 401, 401]);
		expect(answers).toContain(429);
	});

	it("nor does a new hop in front of the proxy’s help: one address that tries many accounts has to wait", async () => {
		const answers: number[] = [];
		for (let i = 0; i < 24; i++)
			answers.push(
				await guess(behind, `person${i}@tailvane.example`, i, { "X-Forwarded-For": `203.0.113.${i}, 198.51.100.7` }),
			);
		expect(answers.slice(0, 20).every((status) => status === 401)).toBe(true);
		expect(answers).toContain(429);
		expect(await guess(behind, "else@tailvane.example", 99, { "X-Forwarded-For": "198.51.100.8" })).toBe(401);
	});

	it("signing in rightly oneself in between does not help either", async () => {
		const { email } = await somebody("assistant");
		const answers: number[] = [];
		for (let i = 0; i < 30; i++) {
			answers.push(await guess(server, `person${i}@tailvane.example`, i, {}));
			if (i % 5 === 0) await post(server, "/api/auth/sign-in/email", { email, password: PASSWORD });
		}
		expect(answers).toContain(429);
	});

	it("a right password does not wait for others’ wrong ones where the browser is known for it, and only there", async () => {
		const { email } = await somebody("instructor");
		const { email: other } = await somebody("assistant");
		const enter = (who: string, password = PASSWORD, Cookie = "") =>
			post(server, "/api/auth/sign-in/email", { email: who, password }, { Cookie });
		const knownOf = async (who: string) =>
			(await enter(who)).headers
				.getSetCookie()
				.find((cookie) => /^zephyr-[0-9a-f]{8}\.known=/.test(cookie))
				?.split(";")[0] ?? "";
		const known = await knownOf(email);
		const theirs = await knownOf(other);
		expect(known).not.toBe("");
		await studio.db.delete(attempt);
		for (let i = 0; i < 30; i++) await guess(server, i % 2 === 0 ? email : `person${i}@tailvane.example`, i, {});
		const status = async (Cookie: string, password = PASSWORD) => (await enter(email, password, Cookie)).status;
		expect(await status("")).toBe(429);
		expect(await status(theirs)).toBe(429);
		expect(await status(`${known.slice(0, -3)}AAA`)).toBe(429);
		expect(await status(known)).toBe(200);
		expect(await status(known)).toBe(200);
		// It opens nothing by itself, and whoever has it guesses no oftener than anybody.
		const see = await fetch(`${server.address}/api/see/today`, { headers: { Cookie: known } });
		expect(see.status).toBe(401);
		const answers: number[] = [];
		for (let i = 0; i < 8; i++) answers.push(await status(known, `guess ${i}`));
		expect(answers.slice(0, 5)).toEqual([401, 401, 401, 401, 401]);
		expect(answers).toContain(429);
	});

	it("two studios of one machine have cookies of their own: browsers do not tell ports apart", async () => {
		const { email } = await somebody("assistant");
		const elsewhere = await startServer(studio.url, {
			more: { ZEPHYR_SECRET: "another studio, another studio, another" },
		});
		const names = async (to: RunningServer) =>
			(await post(to, "/api/auth/sign-in/email", { email, password: PASSWORD })).headers
				.getSetCookie()
				.map((cookie) => cookie.split("=")[0] ?? "");
		const [here, there] = [await names(server), await names(elsewhere)];
		await elsewhere.end();
		expect(here).toHaveLength(2);
		expect(there).toHaveLength(2);
		expect(here.filter((name) => there.includes(name))).toEqual([]);
	});

	it("strangers open no more pages than a class does: an address that asks for pages without an end is told to wait", async () => {
		const look = (path: string) =>
			fetch(`${behind.address}${path}`, { headers: { "X-Forwarded-For": "198.51.100.9" } });
		const nowhere = `/sign-up/${"x".repeat(32)}`;
		const answers: number[] = [];
		for (let i = 0; i < 40 && !answers.includes(429); i++)
			answers.push(...(await Promise.all(Array.from({ length: 20 }, () => look(nowhere)))).map(({ status }) => status));
		expect(answers[0]).toBe(404);
		expect(answers).toContain(429);
	});

	it("of the sign-in library only its door is open", async () => {
		const { cookie } = await somebody("assistant");
		for (const path of [
			"update-user",
			"sign-up/email",
			"change-email",
			"list-sessions",
			"revoke-sessions",
			"delete-user",
		])
			expect((await post(server, `/api/auth/${path}`, { name: "Somebody else" }, { Cookie: cookie })).status).toBe(404);
		const [person] = await studio.db.select().from(user).where(eq(user.role, "assistant"));
		expect(person?.name).not.toBe("Somebody else");
	});
});

/** Sends a body of unknown length until the server answers or hangs up; says the answer and how much it took. */
const pour = (path: string, mostMb: number, headers: Record<string, string>): Promise<{ status: number; mb: number }> =>
	new Promise((done) => {
		let sent = 0;
		let status = 0;
		const chunk = Buffer.alloc(64 * 1024, 32);
		const asked = request(`${server.address}${path}`, {
			method: "POST",
			headers: { Origin: server.address, ...headers },
		});
		const finish = () => done({ status, mb: sent / MB });
		asked.on("response", (response) => {
			status = response.statusCode ?? 0;
			response.resume();
			response.on("close", finish);
		});
		asked.on("error", finish);
		const pump = () => {
			while (status === 0 && !asked.destroyed && sent < mostMb * MB) {
				sent += chunk.length;
				if (!asked.write(chunk)) return void asked.once("drain", pump);
			}
			if (sent >= mostMb * MB) asked.end();
		};
		pump();
	});

describe("a body that does not end", () => {
	it.each([
		["of somebody at the door", "/api/auth/sign-in/email", "application/json", false],
		["as an action’s fields", "/api/do/signSafety", "application/json", true],
		["as a photo", "/api/do/addPhoto?pieceId=x", "application/octet-stream", true],
	])("%s is not read to its end, and the connection is closed", async (_, path, type, signedIn) => {
		const { cookie } = signedIn ? await somebody("instructor") : { cookie: "" };
		const { status, mb } = await pour(path, 150, { "Content-Type": type, Cookie: cookie });
		expect([413, 0]).toContain(status);
		expect(mb).toBeLessThan(60);
		expect((await fetch(`${server.address}/api/health/ready`)).status).toBe(200);
	});
});
