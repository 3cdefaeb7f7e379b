import { expect, open, ownStudio, personPage, test } from "./studio";

ownStudio();

test("the microwave block: suggested from records, stepped with looks, closed until it is cool", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await page.clock.install();
	await open(page, "/fire/microwave");
	await expect(page.getByText(/this block in this oven came out rounded: the same again/)).toBeVisible();
	await expect(page.getByText(/from 5 records of this block/)).toBeVisible();
	for (let i = 0; i < 3; i++) await page.getByRole("button", { name: "Take out step 2" }).click();
	await page.getByLabel("Seconds of step 1").fill("5");
	await page.getByLabel("What it is").fill("brooch, sickle moon");
	await page.getByRole("button", { name: "The block is in the oven" }).click();
	const clock = page.getByRole("timer", { name: "Time left of this step" });
	await expect(clock).toHaveText("0:05");
	await page.getByRole("button", { name: "Heat 0:05" }).click();
	await page.clock.runFor(2000);
	await expect(clock).toHaveText(/0:0[1-4]/);
	await page.clock.runFor(6000);
	await expect(page.getByText("Not looked yet after this step.")).toBeVisible();
	await page.getByRole("button", { name: "edges soft" }).click();
	await expect(page.getByText(/Turn the block/)).toBeVisible();
	await page.reload();
	await page.locator("html[data-ready]").waitFor();
	await page.getByRole("button", { name: "+ 30 s" }).click();
	await page.getByRole("button", { name: /^Heat/ }).click();
	await page.clock.runFor(2500);
	await page.getByRole("button", { name: "Stop now" }).click();
	await page.getByRole("button", { name: "rounded" }).click();
	await page.getByRole("button", { name: /It is done/ }).click();
	await expect(page.getByRole("timer", { name: "Cooling left" })).toHaveText(/70\s*min/);
	await page.getByRole("button", { name: "Opened before its time" }).click();
	await expect(page.getByRole("region", { name: "Record" })).toContainText("brooch, sickle moon");
	await expect(page.getByRole("region", { name: "Record" })).toContainText("edges soft");
});
