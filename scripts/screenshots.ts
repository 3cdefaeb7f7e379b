import { mkdirSync, readFileSync } from "node:fs";
import { resolve } from "node:path";
import { chromium } from "@playwright/test";
import { views } from "../contract/views";
import { CHROMIUM } from "./chromium";

/**
 * Pictures of the main views from the running demo: `npm run screenshots`, or with names for some of them only.
 * ZEPHYR_SHOTS sets the folder, ZEPHYR_THEME=kilnroom the dark theme (with ZEPHYR_UNITS=in.F the other units), ZEPHYR_SIZE=768x1024 another size.
 */
const VIEWS: Record<string, string> = {
	today: "/",
	kits: "/kits",
	kit: "/kits",
	books: "/books",
	cut: "/cut",
	stock: "/cut/stock",
	bags: "/cut/bags",
	bench: "/bench",
	dry: "/dry",
	load: "/load",
	plan: "/load/plan",
	fire: "/fire",
	schedule: "/fire/schedule",
	kiln: "/fire/kilns",
	microwave: "/fire/microwave",
	open: "/open",
	"hand-over": "/hand-over",
	piece: "/hand-over",
	classes: "/classes",
};

const base = process.env.ZEPHYR_PUBLIC_URL ?? "http://127.0.0.1:4810";
const folder = process.env.ZEPHYR_SHOTS ?? "docs/screenshots";
const [width = 1280, height = 800] = (process.env.ZEPHYR_SIZE ?? "").split("x").map(Number).filter(Boolean);
const wanted = process.argv.slice(2);

const browser = await chromium.launch(CHROMIUM);
const context = await browser.newContext({ viewport: { width, height }, baseURL: base });
await context.addInitScript((names) => localStorage.setItem("zephyr-seen", names), JSON.stringify(Object.keys(views)));
if (process.env.ZEPHYR_THEME)
	await context.addCookies([
		{ name: "zephyr-prefs", value: `${process.env.ZEPHYR_UNITS ?? "mm.C"}.${process.env.ZEPHYR_THEME}`, url: base },
	]);
const page = await context.newPage();
page.on("console", (message) => {
	if (message.type() === "error") console.log(`${page.url()}: ${message.text().slice(0, 200)}`);
});
page.on("pageerror", (error) => console.log(`${page.url()}: ${error.message}`));
mkdirSync(folder, { recursive: true });

const [person] = JSON.parse(
	readFileSync(resolve(process.env.ZEPHYR_DATA ?? "data", "studio/demo-sign-ins.json"), "utf8"),
);
await page.goto("/sign-in");
await page.waitForLoadState("networkidle");
await page.getByLabel("E-mail").fill(person.email);
await page.getByLabel("Password").fill(person.password);
await page.getByRole("button", { name: "Sign in" }).click();
await page.waitForURL(`${base}/`);

for (const [name, path] of Object.entries(VIEWS)) {
	if (wanted.length > 0 && !wanted.includes(name)) continue;
	await page.goto(path);
	if (name === "kit") await page.locator("main ul li a", { hasText: "Kite" }).click();
	if (name === "schedule") await page.getByRole("link", { name: /Wind-vane tack/ }).click();
	if (name === "kiln") await page.locator("main li a").first().click();
	if (name === "load") await page.getByRole("button", { name: /^Accept this load/ }).waitFor();
	if (name === "plan") await page.getByText(/planned in/).waitFor();
	if (name === "piece") {
		const code = (await page.locator("main li b.figure, main li span.figure").first().textContent())?.trim();
		await page.goto(`/piece/${code}`);
	}
	if (name === "bench")
		await page
			.getByRole("button", { name: /^Hand in/ })
			.first()
			.click({ timeout: 3000 })
			.catch(() => {});
	await page.waitForTimeout(1200);
	await page.screenshot({ path: `${folder}/${name}.png` });
}
await browser.close();
