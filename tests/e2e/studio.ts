import { type Browser, type BrowserContext, test as base, expect, type Page } from "@playwright/test";

interface Setup {
	address: string;
	databaseUrl: string;
	signIns: { email: string; password: string; role: string }[];
}

export const setup = (): Setup => JSON.parse(process.env.ZEPHYR_E2E ?? "{}");

/** A browser of one person, signed in; any console error or broken rule of the content policy fails the test. */
export async function personPage(browser: Browser, role: "instructor" | "assistant" = "instructor"): Promise<Page> {
	const { address, signIns } = setup();
	const context: BrowserContext = await browser.newContext({
		baseURL: address,
		viewport: { width: 1280, height: 800 },
	});
	const page = await context.newPage();
	await page.goto("/sign-in");
	await page.waitForLoadState("networkidle");
	const person = signIns.find((one) => one.role === role);
	await page.getByLabel("E-mail").fill(person?.email ?? "");
	await page.getByLabel("Password").fill(person?.password ?? "");
	await page.getByRole("button", { name: "Sign in" }).click();
	await page.waitForURL(`${address}/`);
	return page;
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
	await expect(page.locator("astro-island[ssr]")).toHaveCount(0);
}

export { base as test, expect };
