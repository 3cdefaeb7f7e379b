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
	// Three plans side by side; the two who stand before them begin at once, and cut by one.
	const plans = page.getByRole("region", { name: "Plans" });
	await expect(plans.getByRole("row", { name: /^sheets/ })).toBeVisible();
	await expect(plans).toContainText("no plan of strips has fewer than");
	await plans.getByRole("button", { name: "use up offcuts" }).click();
	await expect(page.getByRole("button", { name: /^pump rust, sheet 1/ })).toBeVisible();
	await plans.getByRole("button", { name: "Cut by this plan" }).click();
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
	// One of the second strip breaks: it is cut again from what is left, what is cut stays where it is.
	await page.getByRole("button", { name: /^one broke: cut it again/ }).click();
	await expect(page.getByText("1 of square 110 mm broke so far")).toBeVisible();
	await expect(now).toContainText("1 of 3 done");
	await expect(page.getByRole("button", { name: /^high sky, rest of sheet 1/ })).toBeVisible();
	await expect(other.getByRole("button", { name: /^high sky, rest of sheet 1/ })).toBeVisible();
	await page.getByRole("button", { name: "strip done" }).click();
	await page.getByRole("button", { name: /^high sky, rest of sheet 1/ }).click();
	await expect(now).toContainText("of 1 done");
	await page.getByRole("button", { name: "strip done" }).click();
	await expect(page.getByRole("button", { name: /^high sky, rest of sheet 1 1 of 1 cut/ })).toContainText("done");
	// Its rest goes onto the rack.
	await page.getByRole("button", { name: /^high sky, rest of sheet 1/ }).click();
	await page.getByLabel("Where they are put").fill("bin under the stair");
	await page
		.getByLabel(/^Mark on/)
		.first()
		.fill("Z9");
	await page.getByRole("button", { name: "Onto the rack, and on" }).click();
	await expect(page.getByText("This sheet is cut and cleared away.")).toHaveCount(0);
	const stock = async () => (await (await page.request.get("/api/see/stock")).json()).items;
	await expect
		.poll(async () => (await stock()).find(({ name }: { name: string }) => name === "Z9"))
		.toMatchObject({ kind: "offcut", glassId: "high-sky", amount: 1 });
	const whole = (one: { kind: string; glassId: string }) => one.kind === "sheet" && one.glassId === "high-sky";
	expect((await stock()).find(whole).amount).toBe(1);
	// On to the next glass: triangles come in pairs from rectangles cut corner to corner.
	await page.getByRole("button", { name: /^pump rust, sheet 1/ }).click();
	await expect(now).toContainText("score corner to corner: two triangles of each");

	const waiting = page.waitForEvent("download");
	await page.getByRole("button", { name: "SVG" }).click();
	expect((await waiting).suggestedFilename()).toBe("pump-rust-sheet-1.svg");

	// Goes on where it was left, on the other tablet and after the page was opened again.
	await page.reload();
	await expect(page.getByRole("button", { name: /^high sky, sheet 1/ })).toContainText("done");
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

test("bags are packed by their codes: scanned, ticked off, closed, and what is missing is said", async ({
	browser,
}) => {
	const page = await personPage(browser, "assistant");
	await open(page, "/cut/bags");
	const { kits } = await (await page.request.get("/api/see/bags")).json();
	const code = kits[0].bags[2].code as string;
	const scan = async (text: string) => {
		await page.getByLabel("Scan or type a bag’s code").fill(text);
		await page.keyboard.press("Enter");
	};
	await scan("BAG 00000");
	await expect(page.getByRole("alert")).toHaveText("This is no bag’s code.");
	await scan(code.toLowerCase());
	const bag = page.getByRole("region", { name: "Bag", exact: true });
	await expect(bag.getByRole("heading")).toHaveText("Nine-patch coaster, bag 3");
	await expect(bag).toContainText("6 things are still to go in");
	await bag.getByRole("button", { name: /^4 × dusk/ }).click();
	await expect(bag).toContainText("5 things are still to go in");
	await bag.getByRole("button", { name: "Close it with 5 missing" }).click();
	await expect(page.getByRole("button", { name: "Bag 3 of Nine-patch coaster: 5 missing" })).toBeVisible();
	await scan(code);
	for (const name of [/clear/, /stubble/, /glue/, /sheet/, /the label/])
		await bag.getByRole("button", { name }).first().click();
	await expect(bag).toContainText("0 things are still to go in");
	await expect(page.getByRole("button", { name: "Bag 3 of Nine-patch coaster: closed" })).toBeVisible();
	await page.getByRole("link", { name: "Print the bags’ labels" }).click();
	await expect(page.getByText(code)).toBeVisible();
});

test("the stock: taken, counted on the shelves, and what has run low stands on the shopping list with its files", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await open(page, "/cut/stock");
	await page.getByRole("button", { name: /^clear family 90 500 × 430/ }).click();
	await page.getByLabel("How much").fill("4");
	await page.getByRole("button", { name: "Take it out" }).click();
	await expect(page.getByRole("button", { name: /^clear family 90 500 × 430/ })).toContainText("low, buy at 3");
	await page.getByLabel("How much").fill("40");
	await page.getByRole("button", { name: "Broke" }).click();
	await expect(page.getByRole("alert")).toContainText("Count what stands there and write that down first.");
	await page.getByRole("button", { name: "Count the shelves" }).click();
	await page.getByLabel("Count of clear, coarse frit").fill("500");
	await expect(page.getByText("1 counted, 1 other than in the book")).toBeVisible();
	await page.getByRole("button", { name: "Write the count down" }).click();
	await expect(page.getByRole("button", { name: /^clear, coarse frit/ })).toContainText("500 g");
	await page.getByRole("tab", { name: "To buy" }).click();
	const list = page.getByRole("region", { name: "To buy" });
	await expect(
		list
			.getByRole("listitem")
			.filter({ hasText: /^clear/ })
			.first(),
	).toContainText("has run low");
	const csv = page.waitForEvent("download");
	await page.getByRole("button", { name: "CSV" }).click();
	expect((await csv).suggestedFilename()).toBe("to-buy.csv");
	const pdf = page.waitForEvent("download");
	await page.getByRole("link", { name: "PDF" }).click();
	expect((await pdf).suggestedFilename()).toBe("to-buy.pdf");
});
