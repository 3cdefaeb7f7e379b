import { violations } from "./axe";
import { expect, open, ownStudio, personPage, test } from "./studio";

ownStudio();

test("a kiln fails in the middle of a plan: what was announced for it is planned anew, all of it or nothing", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await open(page, "/load/plan");
	const calendar = page.getByRole("group", { name: "Kilns over the coming days" });
	const announce = page.getByRole("button", { name: /^Announce \d+ firing/ });
	await expect(page.getByText(/planned in/)).toBeVisible();
	await expect(page.getByLabel(/may move/)).toHaveCount(0);
	await announce.click();
	await expect(page.getByText(/^\d+ firings? announced/)).toBeVisible();
	await expect(page.getByLabel(/may move/)).toBeVisible();
	// Whichever kiln the plan took at this hour: it fails.
	const { kilns, booked } = await (await page.request.get("/api/see/plan")).json();
	const { kilnId } = booked.find((one: { state: string }) => one.state === "planned");
	const name: string = kilns.find((one: { id: string }) => one.id === kilnId).name;
	const out = { fromDay: "2020-01-01", untilDay: null, why: "an element broke" };
	const closed = await page.request.post("/api/do/setOutOfService", {
		data: { kilnId, out, was: null },
		headers: { origin: new URL(page.url()).origin },
	});
	expect(closed.ok()).toBe(true);
	await expect(page.getByText(/announced for a kiln that is out of service/)).toBeVisible();
	await page.getByRole("button", { name: "Plan anew what was announced" }).click();
	await expect(page.getByLabel(/may move/)).toBeChecked();
	await expect(page.getByText(/planned in/)).toBeVisible();
	const meaning = page.getByRole("region", { name: "What it means" });
	await expect(meaning).toContainText(/moved against what was announced\d+ piece/);
	await expect(calendar.getByRole("button", { name: new RegExp(`^(Proposed|As announced).*${name}`) })).toHaveCount(0);
	await expect(calendar.getByRole("button", { name: /^Proposed/ }).first()).toBeVisible();
	await expect(meaning).toContainText(/In place of № \d+/);
	expect(await violations(page)).toEqual([]);
	await announce.click();
	await expect(page.getByText(/^\d+ firings? announced/)).toBeVisible();
	await expect(meaning).toContainText("moved against what was announcednone");
});
