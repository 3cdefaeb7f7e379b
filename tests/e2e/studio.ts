import { randomUUID } from "node:crypto";
import { type Browser, type BrowserContext, test as base, expect, type Page } from "@playwright/test";
import { views } from "../../contract/views";
import { type Connection, connect } from "../../db/connect";
import { freePort } from "../../scripts/cluster";
import { type RunningStandIn, startStandIn } from "../../scripts/stand-in";
import { clockOf, STEPPED_CLOCK, type TestClock } from "../support/clock";
import { copied } from "../support/copied";
import { type RunningServer, signIn, startServer } from "../support/server";

interface Setup {
	address: string;
	signIns: { email: string; password: string; role: string }[];
	cookies: Record<string, { name: string; value: string }[]>;
	clock: TestClock;
	database: Connection;
}

let studio: Setup | undefined;
let server: RunningServer | undefined;
let standIn: RunningStandIn | undefined;
/** Browsers of this file's tests, whose clocks are held and stepped with the studio's. */
let contexts: BrowserContext[] = [];

/** Waits until a page has come to an address; one navigation may be overtaken by another to the same place. */
export async function arrived(page: Page, url: Parameters<Page["waitForURL"]>[0]): Promise<void> {
	await expect(() => page.waitForURL(url)).toPass({ timeout: 120_000 });
}

/**
 * A studio of a file's own: a copy of the demo, a server in front of it, a stand-in behind it. Called at the top of every file,
 * so that each passes alone and in any order, and none finds what another left.
 */
export function ownStudio(): void {
	base.beforeAll(async () => {
		const { clusterUrl, template, signIns } = JSON.parse(process.env.ZEPHYR_E2E ?? "{}");
		const url = await copied(clusterUrl, template, `e2e_${randomUUID().slice(0, 8)}`);
		standIn = await startStandIn(await freePort(3), { preload: STEPPED_CLOCK });
		const running = await startServer(url, { standIn });
		server = running;
		const kilns = standIn.process();
		const database = connect(url, 1);
		const clock = clockOf(
			() => [running.process, running.jobs, kilns],
			(atMs) => Promise.all(contexts.map((context) => holdBrowser(context, atMs))),
		);
		const { address } = running;
		const cookies = await Promise.all(
			(signIns as Setup["signIns"]).map(async ({ role, email, password }) => [
				role,
				await signIn(address, email, password),
			]),
		);
		studio = { address, signIns, cookies: Object.fromEntries(cookies), clock, database };
	});
	base.afterEach(async () => {
		// A page left open would go on asking beside the next test.
		for (const context of contexts) await context.close();
		contexts = [];
	});
	base.afterAll(async () => {
		await studio?.database.close();
		await server?.end();
		await standIn?.stop();
		studio = undefined;
	});
}

export function setup(): Setup {
	if (!studio) throw new Error("Call ownStudio() at the top of the file.");
	return studio;
}

/** A browser of one person, signed in once for all tests of a file. */
export async function personPage(browser: Browser, role: "instructor" | "assistant" = "instructor"): Promise<Page> {
	const { address, cookies, clock } = setup();
	const context = await browser.newContext({
		baseURL: address,
		viewport: { width: 1280, height: 800 },
		reducedMotion: "reduce",
	});
	contexts.push(context);
	await context.addInitScript(steppedDate, CLOCK_COOKIE);
	// Nobody is here for the first time: a note that comes up once moves what the tests look at.
	await context.addInitScript(
		(names) => {
			if (!localStorage.getItem("zephyr-seen")) localStorage.setItem("zephyr-seen", names);
		},
		JSON.stringify(Object.keys(views)),
	);
	if (!Number.isNaN(clock.atMs())) await holdBrowser(context, clock.atMs());
	await context.addCookies((cookies[role] ?? []).map(({ name, value }) => ({ name, value, url: address })));
	return context.newPage();
}

const CLOCK_COOKIE = "test-clock-ms";

/** Tells a browser's open pages what time it is, and by a cookie those it opens later. */
async function holdBrowser(context: BrowserContext, atMs: number): Promise<void> {
	await context.addCookies([{ name: CLOCK_COOKIE, value: String(atMs), url: setup().address }]);
	for (const page of context.pages())
		await page
			.evaluate((ms) => {
				(globalThis as { heldMs?: number }).heldMs = ms;
			}, atMs)
			.catch(() => {}); // it is on its way to another page, which reads the cookie
}

/** In every page: its Date is the test's to hold, and otherwise the browser's own, with all its methods. */
function steppedDate(cookie: string): void {
	const page = globalThis as { heldMs?: number };
	const RealDate = Date;
	const told = document.cookie.match(`${cookie}=(\\d+)`)?.[1];
	if (told) page.heldMs = Number(told);
	const nowMs = () => page.heldMs ?? RealDate.now();
	globalThis.Date = new Proxy(RealDate, {
		construct: (target, args, made) => Reflect.construct(target, args.length === 0 ? [nowMs()] : args, made),
		get: (target, name) => (name === "now" ? nowMs : Reflect.get(target, name)),
	});
}

/** Wall time of a step of a fired kiln's clock, ms, and how often a step is waited for until the kiln was read at it. */
const STEP_MS = 250;
const TRIES = 12;
const TRY_MS = 60;

/**
 * Steps the held clock until something is seen: a quarter of an hour of kiln time a step where the stand-in runs ×3600. Between
 * steps every kiln that answers is read, so that a firing is heard all through, however slow the machine.
 */
export async function stepUntil(seen: () => Promise<boolean>, most = 400): Promise<void> {
	const { clock, database } = setup();
	for (let i = 0; i < most; i++) {
		if (await seen()) return;
		await clock.step(STEP_MS);
		for (let n = 0; n < TRIES; n++) {
			await new Promise((done) => setTimeout(done, TRY_MS));
			const [newest] = await database.sql<{ ms: number }[]>`
				select extract(epoch from max(at))::float8 * 1000 as ms from kiln_reading`;
			if ((newest?.ms ?? 0) > clock.atMs() - STEP_MS) break;
		}
	}
	throw new Error(`Not seen in ${most} steps.`);
}

/** Steps the held clock this many times; see {@link stepUntil}. */
export async function steps(n: number): Promise<void> {
	let done = 0;
	await stepUntil(async () => done++ === n, n + 1);
}

/**
 * Steps until the kiln on the table may be opened, and opens it. The page is a step behind a clock that is stepped fast: a refusal,
 * which the browser's console tells as well, only means a step more.
 */
export async function openWhenCool(page: Page): Promise<void> {
	const button = page.getByRole("button", { name: "The kiln is open" });
	await stepUntil(async () => {
		if (!(await button.isVisible())) return false;
		const answered = page.waitForResponse("**/api/do/openFiring");
		await button.click();
		return (await answered).ok();
	});
}

/** The studio does something, as this person's page would ask it to. */
export async function act(page: Page, name: string, input: unknown): Promise<Record<string, unknown>> {
	const response = await page.request.post(`/api/do/${name}`, {
		headers: { Origin: setup().address },
		data: input as object,
	});
	const body = await response.json();
	expect(body.problems).toBeUndefined();
	return body;
}

/** Holds the clock and starts a bare firing in a kiln of the stand-in, an hour a second. */
export async function fireBare(page: Page, kilnName: string): Promise<{ firingId: string; kilnId: string }> {
	await setup().clock.hold();
	const { schedules } = await (await page.request.get("/api/see/schedules")).json();
	const { kilns } = await (await page.request.get("/api/see/kilns")).json();
	const kilnId: string = kilns.find(({ name }: { name: string }) => name === kilnName).id;
	const firingId = randomUUID();
	const [{ id: scheduleId, document }] = schedules;
	await act(page, "planFiring", { firingId, kilnId, scheduleId, document, what: "empty, a test" });
	await act(page, "startFiring", { firingId, speedUp: 3600, somebodyThere: true });
	return { firingId, kilnId };
}

/** Collects what a browser complains about. */
export function complaints(page: Page): string[] {
	const heard: string[] = [];
	page.on("console", (message) => {
		if (message.type() === "error") heard.push(message.text().slice(0, 300));
	});
	page.on("pageerror", (error) => heard.push(error.message));
	return heard;
}

/** Waits until the page's scripts have taken over. */
export async function open(page: Page, path: string): Promise<void> {
	await page.goto(path);
	await ready(page);
}

/** The page's scripts have taken over: islands are alive, and the frame's keys, where there is a frame. */
export async function ready(page: Page): Promise<void> {
	await expect(page.locator("astro-island[ssr]")).toHaveCount(0);
	if ((await page.locator("header nav").count()) > 0) await expect(page.locator("html[data-ready]")).toHaveCount(1);
}

export { base as test, expect };

/**
 * What a scanner does: types a code and Enter faster than any hand. All in one turn of the page, so that it is as fast on a slow
 * machine: a key that comes later than a scanner's would be somebody's finger.
 */
export const scan = (page: Page, code: string): Promise<void> =>
	page.evaluate((text) => {
		for (const key of [...text, "Enter"])
			(document.activeElement ?? document.body).dispatchEvent(
				new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }),
			);
	}, code);
