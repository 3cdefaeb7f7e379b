import { violations } from "./axe";
import { VIEWS } from "./stations";
import {
	act,
	arrived,
	complaints,
	expect,
	fireBare,
	open,
	ownStudio,
	personPage,
	setup,
	steps,
	stepUntil,
	test,
} from "./studio";

ownStudio();

test("a kiln whose clock runs fast, and one that lost its power: an alarm on every screen, readable in both themes", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const { firingId, kilnId } = await fireBare(page, "Silo kiln");
	await open(page, `/fire?firing=${firingId}`);
	await expect(page.getByText("the stand-in’s clock runs ×3600")).toBeVisible();
	await steps(12);
	expect(await violations(page)).toEqual([]);
	await act(page, "tellStandIn", { kilnId, fault: "powerCut", forMin: 40 });
	const alarm = page.getByRole("region", { name: "Alarms" }).getByText("power was lost");
	await stepUntil(() => alarm.isVisible());
	expect(await violations(page)).toEqual([]);
	for (const path of ["/", "/kits", "/open", `/fire/kilns/${kilnId}`]) {
		await open(page, path);
		await expect(alarm).toBeVisible();
		expect(await violations(page), path).toEqual([]);
	}
});

test("forms that were refused say so where the mistake is, readable in both themes", async ({ browser }) => {
	const page = await personPage(browser);
	await open(page, "/bench");
	await page
		.getByRole("button", { name: /^Hand in [2-9A-Z]{5}$/ })
		.first()
		.click();
	await page.getByRole("form").getByRole("button", { name: "Hand in" }).click();
	await expect(page.getByRole("form").locator("[aria-invalid=true]").first()).toBeVisible();
	expect(await violations(page)).toEqual([]);

	await open(page, "/fire/kilns");
	await page.locator("main li a").first().click();
	await arrived(page, "**/fire/kilns/*");
	await open(page, page.url());
	await page.getByRole("tab", { name: "Kiln and shelf" }).click();
	await page.getByLabel("Power, W").fill("a lot");
	await page.getByRole("button", { name: /Write .* down/ }).click();
	await expect(page.locator("[aria-invalid=true]").first()).toBeVisible();
	expect(await violations(page)).toEqual([]);

	await open(page, "/account");
	await page.getByLabel("Present password").fill("not the present one");
	await page.getByLabel("New password").fill("short");
	await page.getByRole("button", { name: "Change it" }).click();
	await expect(page.getByText(/A password needs/)).toBeVisible();
	expect(await violations(page)).toEqual([]);
});

test("a studio in which nothing was done yet: every view says what comes first", async ({ browser }) => {
	const { database } = setup();
	const tables = await database.sql<{ name: string }[]>`
		select tablename as name from pg_tables where schemaname = 'public'
			and tablename not in ('studio', 'user', 'account', 'session', 'verification', 'glass_family', 'attempt', 'audit')`;
	await database.sql.unsafe(`truncate ${tables.map(({ name }) => `"${name}"`).join(", ")} cascade`);
	await database.sql`select pg_notify('zephyr_changed', ${JSON.stringify({ topics: ["studio"] })})`;
	const page = await personPage(browser);
	const heard = complaints(page);
	for (const path of VIEWS) {
		await open(page, path);
		expect((await page.locator("main").textContent())?.length, path).toBeGreaterThan(20);
		expect(heard, path).toEqual([]);
		expect(await violations(page), path).toEqual([]);
	}
	expect(heard).toEqual([]);
});
