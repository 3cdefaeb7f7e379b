import { existsSync, readFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { connect } from "@db/connect";
import { contentsOf } from "@db/queries/contents";
import { type Browser, chromium, type Page } from "@playwright/test";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { buildIfChanged } from "../../scripts/build";
import { CHROMIUM } from "../../scripts/chromium";
import { freePort, placeFor, startCluster } from "../../scripts/cluster";
import { clearFolder } from "../support/clear-folder";
import { endAll, type Run, runScript } from "../support/run-start";

/** A stranger leaves the demo for a studio of their own, and has a first class on the calendar. */
const data = resolve("data", "begin-test");
let port = 0;
let browser: Browser;
let folders: Record<"demo" | "own", string>;
const start = (...args: string[]): Run => runScript("start", { ZEPHYR_DATA: data, ZEPHYR_PORT: String(port) }, args);
const WAIT = { timeout: 300_000 };

beforeAll(async () => {
	buildIfChanged();
	await clearFolder(data);
	folders = { demo: await placeFor(join(data, "studio")), own: await placeFor(join(data, "own")) };
	port = await freePort();
	browser = await chromium.launch(CHROMIUM);
});
afterAll(async () => {
	await browser?.close();
	await endAll();
	for (const folder of Object.values(folders)) await clearFolder(folder);
	await clearFolder(data);
});

async function newPage(): Promise<Page> {
	const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}`, timezoneId: "Europe/Vienna" });
	context.setDefaultTimeout(WAIT.timeout);
	return context.newPage();
}
const pressed = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).click();

/** What the demo holds, but for who signs in and what the house does by itself. */
async function demoBook() {
	const cluster = await startCluster(folders.demo, true);
	const { sql, close } = connect(cluster.url, 1);
	const { contents } = await contentsOf(sql);
	await close();
	await cluster.stop();
	return Object.fromEntries(
		["public.piece", "public.student", "public.kit_design", "public.class_session", "public.studio", "public.kiln"].map(
			(table) => [table, contents[table]],
		),
	);
}

describe("a studio of one's own", () => {
	it("from the demo's door to a first class with twelve students from a list; the demo beside it is as it was", async () => {
		const demo = start();
		await demo.until("Ctrl+C stops");
		expect(demo.output()).toContain("The demo studio.");
		await demo.end("SIGINT");
		const before = await demoBook();

		const run = start();
		await run.until("Ctrl+C stops");
		// Other users of this machine reach its door too: without a session or the printed key they leave nothing.
		const leave = (key: string | null) =>
			fetch(`http://127.0.0.1:${port}/api/begin`, {
				method: "POST",
				headers: { "Content-Type": "application/json", Origin: `http://127.0.0.1:${port}` },
				body: JSON.stringify({ key }),
			}).then(({ status }) => status);
		expect([await leave(null), await leave("guessed")]).toEqual([403, 403]);
		const page = await newPage();
		await page.goto("/begin?key=guessed");
		await page.getByLabel("E-mail").waitFor();
		expect(await page.getByRole("button", { name: "Begin my own studio" }).count()).toBe(0);
		await page.goto(/\S+\/begin\?key=\S+/.exec(run.output())?.[0] ?? "");
		await page.waitForLoadState("networkidle");
		await pressed(page, "Begin my own studio");
		await pressed(page, "Begin now");
		await page.getByLabel("Name of the studio").waitFor();
		expect(await page.getByLabel("Time zone").inputValue()).toBe("Europe/Vienna");

		// Nobody without the key comes further than this.
		const stranger = await newPage();
		for (const path of ["/", "/begin", "/begin?key=guessed", "/sign-in"]) {
			await stranger.goto(path);
			await stranger.getByRole("heading", { name: "Your own studio" }).waitFor();
		}
		expect((await stranger.request.get("/api/see/frame")).status()).toBe(404);

		await page.getByLabel("Name of the studio").fill("Lee Side Glass");
		await page.getByLabel("Your name").fill("Runa Holt");
		await page.getByLabel("Your e-mail").fill("runa@leeside.example");
		await page.getByLabel("Password").fill("password123");
		await pressed(page, "Begin");
		await page.getByText("This password is among the first that somebody would try.").waitFor();
		expect(await page.getByLabel("Name of the studio").inputValue()).toBe("Lee Side Glass");
		await page.getByLabel("Password").fill("three kettles by the gate");
		await pressed(page, "Begin");
		await page.getByRole("heading", { name: "First steps" }).waitFor();
		await page.waitForLoadState("networkidle");

		await page.getByLabel("What you call it").fill("Granary kiln");
		await pressed(page, "Write this kiln down");
		await pressed(page, "On to glass");
		await pressed(page, "All of them");
		await pressed(page, /into the book/);
		await pressed(page, "On to microwave block");
		await pressed(page, "Skip to first class");
		await page.getByRole("link", { name: "Put a class on the calendar" }).click();
		await page.getByLabel("Title").waitFor();
		await page.waitForLoadState("networkidle");
		await page.getByLabel("Title").fill("First kites");
		await page.getByLabel("Places").fill("12");
		await pressed(page, "Put it on the calendar");
		const file = page.getByLabel("From a list as CSV");
		await file.waitFor();
		await page.waitForLoadState("networkidle");
		const lines = Array.from({ length: 12 }, (_, i) => `Student ${i + 1};s${i + 1}@ridge.example`);
		const buffer = Buffer.from(["Teilnehmer;E-Mail", ...lines].join("\r\n"), "latin1");
		await file.setInputFiles({ name: "list.csv", mimeType: "text/csv", buffer });
		await pressed(page, "Take 12 into the class");
		await page.getByText("12 new, 0 changed, 12 have a place, 0 on the waiting list.").waitFor();
		await page.goto("/bench");
		await page.getByText("Student 12").waitFor();
		expect(await page.locator("ol > li").count()).toBe(12);

		// Nothing of the demo is in it.
		const cookies = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join("; ");
		const seen = async (view: string) =>
			(await fetch(`http://127.0.0.1:${port}/api/see/${view}`, { headers: { Cookie: cookies } })).json();
		expect((await seen("kits")).kits).toEqual([]);
		expect((await seen("kilns")).kilns.map(({ name }: { name: string }) => name)).toEqual(["Granary kiln"]);
		expect((await seen("people")).people.map(({ email }: { email: string }) => email)).toEqual([
			"runa@leeside.example",
		]);
		expect((await seen("frame")).isDemo).toBe(false);
		expect(await run.end("SIGINT")).toBe(0);

		expect(await demoBook()).toEqual(before);
	});

	it("./start alone opens it from then on, --demo the demo; its sign-ins stay apart", async () => {
		expect(existsSync(join(folders.own, "pg"))).toBe(true);
		const own = start();
		await own.until("Ctrl+C stops");
		expect(own.output()).not.toContain("The demo studio.");
		expect(own.output()).not.toContain("/begin?key=");
		const signIn = (email: string, password: string) =>
			fetch(`http://127.0.0.1:${port}/api/auth/sign-in/email`, {
				method: "POST",
				headers: { "Content-Type": "application/json", Origin: `http://127.0.0.1:${port}` },
				body: JSON.stringify({ email, password }),
			}).then(({ status }) => status);
		expect(await signIn("runa@leeside.example", "three kettles by the gate")).toBe(200);
		// Nobody leaves a studio that is their own.
		const leave = await fetch(`http://127.0.0.1:${port}/api/begin`, {
			method: "POST",
			headers: { "Content-Type": "application/json", Origin: `http://127.0.0.1:${port}` },
			body: JSON.stringify({ key: null }),
		});
		expect(leave.status).toBe(409);
		await own.end("SIGINT");
		const demo = start("--demo");
		await demo.until("Ctrl+C stops");
		const [marit] = JSON.parse(readFileSync(join(folders.demo, "demo-sign-ins.json"), "utf8"));
		expect(await signIn("runa@leeside.example", "three kettles by the gate")).toBe(401);
		expect(await signIn(marit.email, marit.password)).toBe(200);
		await demo.end("SIGINT");
	});
});
