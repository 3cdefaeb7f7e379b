import { type Browser, type BrowserContext, test as base, expect, type Page } from "@playwright/test";

interface Setup {
	address: string;
	signIns: { email: string; password: string; role: string }[];
	cookies: Record<"instructor" | "assistant", { name: string; value: string }[]>;
}

export const setup = (): Setup => JSON.parse(process.env.ZEPHYR_E2E ?? "{}");

/** A browser of one person, signed in once for all tests. */
export async function personPage(browser: Browser, role: "instructor" | "assistant" = "instructor"): Promise<Page> {
	const { address, cookies } = setup();
	const context: BrowserContext = await browser.newContext({
		baseURL: address,
		viewport: { width: 1280, height: 800 },
	});
	await context.addCookies(cookies[role].map(({ name, value }) => ({ name, value, url: address })));
	const page = await context.newPage();
	await open(page, "/");
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
	await ready(page);
}

/** The page's scripts have taken over: islands are alive, and the frame's keys, where there is a frame. */
export async function ready(page: Page): Promise<void> {
	await expect(page.locator("astro-island[ssr]")).toHaveCount(0);
	if ((await page.locator("header nav").count()) > 0) await expect(page.locator("html[data-ready]")).toHaveCount(1);
}

export { base as test, expect };
