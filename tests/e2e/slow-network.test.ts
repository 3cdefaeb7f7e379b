import { expect, fireBare, open, ownStudio, personPage, stepUntil, test } from "./studio";

ownStudio();

/** A tablet on poor network: every answer comes this late, ms. */
const LATENCY_MS = 800;

test("the kiln strip gets through however slow the network is", async ({ browser }) => {
	const page = await personPage(browser);
	await fireBare(page, "Silo kiln");
	await open(page, "/kits");
	const asked = { sent: 0, ended: 0, aborted: 0 };
	await page.route("**/api/see/**", async (route) => {
		asked.sent++;
		await new Promise((done) => setTimeout(done, LATENCY_MS));
		await route.continue().catch(() => {});
	});
	page.on("requestfinished", (request) => {
		if (request.url().includes("/api/see/")) asked.ended++;
	});
	page.on("requestfailed", (request) => {
		if (request.url().includes("/api/see/")) asked.aborted++;
	});
	const cell = page.getByRole("region", { name: "Kilns" }).getByRole("link", { name: /Silo kiln/ });
	const seen = new Set<string>();
	await stepUntil(async () => {
		seen.add((await cell.textContent())?.match(/(\d+) °C/)?.[1] ?? "");
		return seen.size >= 6;
	});
	expect(Math.max(...[...seen].map(Number))).toBeGreaterThan(200);
	expect(asked.aborted).toBe(0);
	await expect.poll(() => asked.ended).toBeGreaterThanOrEqual(5);
});

test("when nothing gets through the strip says since when, and takes it back once something does", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await page.clock.install();
	await open(page, "/kits");
	const strip = page.getByRole("region", { name: "Kilns" });
	await expect(strip.getByText(/Not heard since/)).toHaveCount(0);
	await page.route("**/api/**", (route) => route.abort());
	await page.clock.runFor(50_000);
	await expect(strip.getByText(/Not heard since \d+ s ago/)).toBeVisible();
	await page.unroute("**/api/**");
	await page.clock.runFor(31_000);
	await expect(strip.getByText(/Not heard since/)).toHaveCount(0);
});
