import { violations } from "./axe";
import { expect, open, ownStudio, personPage, ready, test } from "./studio";

ownStudio();

test("a kiln is out of service: the calendar says why, no plan uses it; what matters here is weighed", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await open(page, "/fire/kilns");
	await page
		.getByRole("main")
		.getByRole("link", { name: /Silo kiln/ })
		.first()
		.click();
	await ready(page);
	await page.getByRole("button", { name: "Out of service …" }).click();
	const form = page.getByRole("form", { name: "Out of service" });
	await form.getByLabel("Why").fill("a cracked lid");
	await form.getByLabel("Until").fill("2020-01-01");
	await form.getByRole("button", { name: "Out of service" }).click();
	await expect(form).toContainText("The last day is before the first.");
	await form.getByLabel("Until").fill("");
	await form.getByRole("button", { name: "Out of service" }).click();
	await expect(page.getByRole("region", { name: "Out of service" })).toContainText("a cracked lid");
	expect(await violations(page)).toEqual([]);

	await open(page, "/settings?tab=wishes");
	await page.getByRole("group", { name: "Few firings, full shelves" }).getByRole("button", { name: "more" }).click();
	await page.getByRole("button", { name: "Save the settings" }).click();
	await expect(page.getByRole("button", { name: "Saved" })).toBeVisible();
	expect(await violations(page)).toEqual([]);

	await open(page, "/load/plan");
	const calendar = page.getByRole("group", { name: "Kilns over the coming days" });
	await expect(calendar).toContainText("out of service: a cracked lid");
	await expect(page.getByText(/planned in/)).toBeVisible();
	await expect(page.getByRole("region", { name: "What it means" })).toContainText(
		"Weighed your way: few firings more.",
	);
	await expect(calendar.getByRole("button", { name: /^Proposed.*Hopper kiln/ }).first()).toBeVisible();
	await expect(calendar.getByRole("button", { name: /^Proposed.*Silo kiln/ })).toHaveCount(0);

	await open(page, "/load");
	await page.getByRole("button", { name: "Silo kiln" }).click();
	await page.getByRole("link", { name: "Silo kiln: out of service, a cracked lid" }).click();
	await ready(page);
	await page.getByRole("button", { name: "It may be fired again" }).click();
	await expect(page.getByRole("button", { name: "Out of service …" })).toBeVisible();
});
