import { expect, open, ownStudio, personPage, test } from "./studio";

ownStudio();

test("a sheet is cut strip by strip: the next one is lit on both tablets, a broken part is in the plan again", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const other = await personPage(browser, "assistant");
	const { sessions } = await (await page.request.get("/api/see/calendar")).json();
	const coming = sessions.find(({ title }: { title: string }) => title === "Roofs and night sky");
	for (const one of [page, other]) {
		await open(one, `/cut?session=${coming.id}`);
		await expect(one.getByRole("heading", { name: "high sky, sheet 1" })).toBeVisible();
		await expect(one.getByText("looking for better ones")).toHaveCount(0);
	}
	// Seven squares of 110 mm: four fit 500 mm, so two strips; nobody can do it with less than one sheet.
	const now = page.getByRole("region", { name: "Now" });
	await expect(now).toContainText("110 mm");
	await expect(now).toContainText("turn, then 4 scores at 110 mm");
	await expect(page.getByText("the fewest sheets there can be")).toBeVisible();
	await page.getByRole("button", { name: "1 more of square 110 mm" }).click();
	await expect(now).toContainText("1 of 4 done");
	await expect(other.getByRole("button", { name: "Strip 1: 110 mm, 1 of 4 done" })).toBeVisible();

	await page.getByRole("button", { name: "strip done" }).click();
	await expect(now).toContainText("score 2 of 2");
	await expect(now).not.toContainText("saving");
	await expect(other.getByRole("region", { name: "Now" })).toContainText("score 2 of 2");
	await page.getByRole("button", { name: /^one broke: square 110 mm/ }).click();
	await expect(now).toContainText("score 1 of 2");
	await expect(now).toContainText("3 of 4 done");
	await page.getByRole("button", { name: "strip done" }).click();
	await expect(now).toContainText("score 2 of 2");
	await page.getByRole("button", { name: "strip done" }).click();
	await expect(page.getByRole("button", { name: /^high sky, sheet 1 7 of 7 cut/ })).toContainText("done");
	// On to the next glass: triangles come in pairs from rectangles cut corner to corner.
	await page.getByRole("button", { name: /^pump rust, sheet 1/ }).click();
	await expect(now).toContainText("score corner to corner: two triangles of each");
	await expect(now).toContainText("of 28 done");

	const waiting = page.waitForEvent("download");
	await page.getByRole("button", { name: "SVG" }).click();
	expect((await waiting).suggestedFilename()).toBe("pump-rust-sheet-1.svg");

	// Goes on where it was left, on the other tablet and after the page was opened again.
	await page.reload();
	await expect(page.getByRole("button", { name: /^high sky, sheet 1 7 of 7 cut/ })).toBeVisible();
});

test("two people count at once and lose nothing; what did not get through is sent again and counts once", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const other = await personPage(browser, "assistant");
	for (const one of [page, other]) {
		await open(one, "/cut");
		await one.getByRole("tab", { name: "Parts" }).click();
	}
	const row = (one: typeof page) => one.locator("li", { hasText: "from strips 32 mm wide" }).first();
	const more = (one: typeof page) => row(one).getByRole("button", { name: /^One more/ });
	const before = Number((await row(page).textContent())?.match(/(\d+) done/)?.[1] ?? 0);
	for (let i = 0; i < 5; i++) await Promise.all([more(page).click(), more(other).click()]);
	for (const one of [page, other]) await expect(row(one)).toContainText(`${before + 10} done`);

	await page.route("**/api/do/tickCut", (route) => route.abort());
	await more(page).click();
	await expect(row(page)).toContainText(`${before + 11} done`);
	const again = page.getByRole("button", { name: "Send it again" });
	await expect(again).toBeVisible();
	await page.unroute("**/api/do/tickCut");
	await again.click();
	await expect(again).toHaveCount(0);
	for (const one of [page, other]) await expect(row(one)).toContainText(`${before + 11} done`);
});
