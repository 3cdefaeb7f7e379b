import { readFileSync } from "node:fs";
import { chromium, type Page } from "@playwright/test";
import { CHROMIUM } from "./chromium";

const base = process.env.ZEPHYR_PUBLIC_URL ?? "http://127.0.0.1:4990";
const browser = await chromium.launch(CHROMIUM);
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: base });
if (process.env.PREFS) await context.addCookies([{ name: "zephyr-prefs", value: process.env.PREFS, url: base }]);
const page = await context.newPage();
page.on("pageerror", (e) => console.log(page.url(), e.message));
const [person] = JSON.parse(readFileSync("/tmp/zdata/studio/demo-sign-ins.json", "utf8"));
await page.goto("/sign-in");
await page.waitForLoadState("networkidle");
await page.getByLabel("E-mail").fill(person.email);
await page.getByLabel("Password").fill(person.password);
await page.getByRole("button", { name: "Sign in" }).click();
await page.waitForURL(`${base}/`);
export const shot = (name: string) => page.screenshot({ path: `/tmp/look-${name}.png` });
const steps = (await import(process.argv[2] as string)) as {
	default(page: Page, shot: (n: string) => Promise<unknown>): Promise<void>;
};
await steps.default(page, shot);
await browser.close();
