import type { Page } from "@playwright/test";
import { violations } from "./axe";
import { ownPages } from "./own-pages";
import { VIEWS } from "./stations";
import { arrived, complaints, expect, open, ownStudio, personPage, setup, test } from "./studio";

ownStudio();

/** What a page's script may be on the wire, bytes. */
const BUDGET = 150 * 1024;
const EDITOR_BUDGET = 350 * 1024;

test("each view in one visit: no serious violation in both themes, no complaint of the browser, script within its budget, and on a tablet all within its width", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const heard = complaints(page);
	const { kit, kiln, piece, course, student } = await ownPages(page);
	const scripts = await scriptsOf(page);
	const labels = `/labels?codes=${piece.split("/").pop()}`;
	for (const path of [...VIEWS, "/books?tab=samples", kit, kiln, piece, course, student, labels])
		await test.step(path, async () => {
			scripts.clear();
			await open(page, path);
			expect.soft(await violations(page), path).toEqual([]);
			if (path !== labels) expectWithinBudget(path, scripts, path === kit || path === "/fire/schedule");
			expect.soft(heard.splice(0), path).toEqual([]);
			await page.setViewportSize({ width: 768, height: 1024 });
			expect.soft(await overflowing(page), path).toEqual([]);
			await page.setViewportSize({ width: 1280, height: 800 });
		});
});

/** Bytes of each script that the page asks for from now on, nothing of them cached. */
async function scriptsOf(page: Page): Promise<Map<string, number>> {
	const wire = await page.context().newCDPSession(page);
	await wire.send("Network.enable");
	await wire.send("Network.setCacheDisabled", { cacheDisabled: true });
	const scripts = new Map<string, number>();
	wire.on("Network.responseReceived", ({ requestId, response }) => {
		if (!new URL(response.url).pathname.endsWith(".js")) return;
		scripts.set(requestId, 0);
		const headers = new Headers(response.headers);
		expect.soft(headers.get("cache-control"), response.url).toBe("public, max-age=31536000, immutable");
	});
	wire.on("Network.loadingFinished", ({ requestId, encodedDataLength }) => {
		if (scripts.has(requestId)) scripts.set(requestId, encodedDataLength);
	});
	return scripts;
}

function expectWithinBudget(path: string, scripts: ReadonlyMap<string, number>, editor: boolean): void {
	const bytes = [...scripts.values()].reduce((sum, size) => sum + size, 0);
	const said = `${path}: ${Math.round(bytes / 1024)} KB`;
	if (process.env.ZEPHYR_SAY_SIZES) console.log(said);
	expect.soft([...scripts.values()], `${path}: all that was asked for has come`).not.toContain(0);
	expect.soft(bytes, said).toBeGreaterThan(10_000);
	expect.soft(bytes, said).toBeLessThan(editor ? EDITOR_BUDGET : BUDGET);
}

/** What does not fit the page's width: the page itself, and buttons that are cut off. */
const overflowing = (page: Page): Promise<string[]> =>
	page.evaluate(() => {
		const { scrollWidth, clientWidth } = document.documentElement;
		const cut = [...document.querySelectorAll<HTMLElement>("main button, header a")].filter(
			(one) => one.checkVisibility() && one.getBoundingClientRect().right > innerWidth + 1,
		);
		return [
			...(scrollWidth > clientWidth ? [`${scrollWidth} of ${clientWidth} px`] : []),
			...cut.map((one) => one.textContent ?? ""),
		];
	});

test("the sign-in page is clean and the door says what is wrong", async ({ browser }) => {
	const page = await (await browser.newContext({ baseURL: setup().address })).newPage();
	await page.goto("/load?x=1");
	await arrived(page, "**/sign-in?then=**");
	await expect(page.locator("astro-island[ssr]")).toHaveCount(0);
	expect(await violations(page)).toEqual([]);
	await page.getByLabel("E-mail").fill("nobody@tailvane.example");
	await page.getByLabel("Password").fill("not the password");
	await page.getByRole("button", { name: "Sign in" }).click();
	await expect(page.getByText("This e-mail and password do not belong together.")).toBeVisible();
});

test("units switch everywhere at once", async ({ browser }) => {
	const page = await personPage(browser);
	await open(page, "/fire");
	// Whichever segment the demo's firing is in by now: those that are over are folded away.
	const shown = (unit: string) =>
		page
			.locator("section[aria-label=Do]")
			.getByText(new RegExp(`\\d °${unit}`))
			.filter({ visible: true })
			.first();
	await expect(shown("C")).toBeVisible();
	await page.getByRole("button", { name: /^Units/ }).click();
	await expect(shown("F")).toBeVisible();
	await expect(page.getByText(/\d °C/)).toHaveCount(0);
	await page.reload();
	await expect(shown("F")).toBeVisible();
	await page.getByRole("button", { name: /^Units/ }).click();
});

test("the way of a piece is reached by keyboard alone", async ({ browser }) => {
	const page = await personPage(browser);
	await open(page, "/");
	for (const [key, path] of [
		["2", "/cut"],
		["3", "/bench"],
		["4", "/dry"],
		["5", "/load"],
		["6", "/fire"],
		["7", "/open"],
		["8", "/hand-over"],
		["0", "/"],
	] as const) {
		await page.keyboard.press(key);
		await arrived(page, `**${path}`);
		await expect(page.locator("html[data-ready]")).toHaveCount(1);
	}
	await page.keyboard.press("?");
	await expect(page.getByRole("dialog", { name: "Help" })).toContainText("what needs a person now", {
		ignoreCase: true,
	});
	await page.keyboard.press("Escape");
	await page.keyboard.press("/");
	await page.getByLabel("Piece code, student, kit, glass or kiln").fill("pump");
	await expect(page.getByRole("dialog").getByRole("option", { name: /Pump-wheel tile/ })).toBeVisible();
	await page.keyboard.press("Enter");
	await arrived(page, "**/kits/*");
	const fields = page.getByLabel("Kit", { exact: true });
	await fields.focus();
	await fields.press("End");
	await fields.pressSequentially(" 12");
	await expect(fields).toHaveValue("Pump-wheel tile 12"); // digits in a field are no station keys
});

test("help says what a station is for and its own keys; a first visit points at the one thing to do, once", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await page.addInitScript(() => {
		if (!sessionStorage.getItem("new here")) localStorage.setItem("zephyr-seen", "[]");
		sessionStorage.setItem("new here", "yes");
	});
	await open(page, "/load");
	const note = page.getByRole("note");
	await expect(note).toContainText("First time here?");
	await page.getByRole("button", { name: /^Help/ }).click();
	const help = page.getByRole("dialog", { name: "Help" });
	await expect(help).toContainText("wait for a kiln");
	await expect(help.getByRole("region").or(help.locator("section")).first()).toContainText("pin it where it lies");
	await help.getByRole("button", { name: "Close", exact: true }).click();
	await note.getByRole("button", { name: "Got it" }).click();
	await expect(note).toHaveCount(0);
	await open(page, "/load");
	await expect(note).toHaveCount(0);
	await open(page, "/dry");
	await expect(note).toContainText("dry");
});
