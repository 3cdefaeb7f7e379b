import { readFile } from "node:fs/promises";
import {
	arrived,
	complaints,
	expect,
	open,
	openWhenCool,
	ownStudio,
	personPage,
	ready,
	setup,
	steps,
	stepUntil,
	test,
} from "./studio";

ownStudio();

test("a schedule is drawn, mended, solved backwards, compared and kept; a whole firing runs with a power cut in it", async ({
	browser,
}) => {
	test.setTimeout(600_000);
	const page = await personPage(browser);
	const heard = complaints(page);
	let number = "";
	const bands = page.getByRole("region", { name: "What the glass becomes" });
	const warnings = page.getByRole("list", { name: "Warnings" });

	await test.step("by hand, for a level and a school", async () => {
		await open(page, "/fire/schedule");
		await expect(bands.getByText("full").first()).toBeVisible();
		await page.getByRole("tab", { name: "Made for" }).click();
		await page.getByLabel("Level").selectOption("tack");
		await expect(bands).toContainText("tack");
		await page.getByLabel("Heat", { exact: true }).selectOption("coolerLonger");
		await page.getByRole("tab", { name: "Segments" }).click();
		await expect(page.getByLabel("Hold of segment 2, peak")).toHaveValue("30");
		await expect(page.getByText("may be opened after")).toBeVisible();
	});

	await test.step("a figure that is too fast is warned of with its figure, and one press mends it", async () => {
		const rate = page.getByLabel("Rate of segment 1, up");
		await rate.fill("900");
		await rate.press("Enter");
		await expect(warnings).toContainText("900 °C/h through 6 mm of cold glass");
		await warnings.getByRole("button", { name: /Slow it to/ }).click();
		await expect(warnings).toHaveCount(0);
		await expect(rate).toHaveValue("222");
		const target = page.getByLabel("Target of segment 2, peak");
		await target.fill("1480F");
		await target.press("Enter");
		await expect(target).toHaveValue("804");
		await expect(warnings).toContainText("past tack");
		await page.getByRole("button", { name: "Undo" }).click();
		await expect(warnings).toHaveCount(0);
	});

	await test.step("a point is dragged and moved by keys; the answer is there at once", async () => {
		const peak = page.getByRole("slider", { name: /Segment 2 arrives/ });
		const before = Number(await page.getByLabel("Target of segment 2, peak").inputValue());
		await peak.focus();
		await peak.press("ArrowUp");
		await expect(page.getByLabel("Target of segment 2, peak")).toHaveValue(String(before + 1));
		const box = await peak.boundingBox();
		await page.mouse.move((box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + (box?.height ?? 0) / 2);
		await page.mouse.down();
		await page.mouse.move((box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) - 8, { steps: 6 });
		await page.mouse.up();
		const target = page.getByLabel("Target of segment 2, peak");
		await expect.poll(async () => Number(await target.inputValue())).toBeGreaterThan(before + 5);
		await expect(bands).toContainText(/contour|full/);
		await page.getByRole("button", { name: "Zoom in" }).click();
		await expect(page.getByRole("button", { name: "Whole firing" })).toBeVisible();
		await page.getByRole("button", { name: "Whole firing" }).click();
	});

	await test.step("solved backwards under a ceiling", async () => {
		const box = page.getByRole("region", { name: "Solve backwards" });
		await box.getByLabel("Reach").selectOption("level tack");
		await box.getByLabel("Never above").fill("735");
		await box.getByRole("button", { name: "Solve the hold" }).click();
		await expect(page.getByLabel("Target of segment 2, peak")).toHaveValue("735");
		await expect(bands).toContainText("0.4");
	});

	await test.step("compared with a kept one by what it does", async () => {
		await page.getByRole("tab", { name: "Compare" }).click();
		await page.getByLabel("Compare with").selectOption({ label: "Full fuse, double" });
		const table = page.getByRole("table", { name: /Compared with/ });
		await expect(table).toContainText("another level");
		await expect(table).toContainText("kWh");
		await expect(table).toContainText("stress that stays");
	});

	await test.step("kept, out as CSV and in again", async () => {
		await page.getByLabel("Name of the schedule").fill("Rooftop tack");
		await page.getByRole("tab", { name: "Keep and fire" }).click();
		await page.getByRole("button", { name: "Keep “Rooftop tack”" }).click();
		await expect(page.getByRole("button", { name: "Kept", exact: true })).toBeVisible();
		const [download] = await Promise.all([
			page.waitForEvent("download"),
			page.getByRole("button", { name: "CSV", exact: true }).click(),
		]);
		const csv = await readFile((await download.path()) ?? "", "utf8");
		expect(csv.split("\n")[0]).toBe("rate °C/h,target °C,hold min");
		await page.getByLabel("Bring segments or a schedule in").setInputFiles({
			name: "other.csv",
			mimeType: "text/csv",
			buffer: Buffer.from(csv.replace(",735,", ",741,")),
		});
		await page.getByRole("tab", { name: "Segments" }).click();
		await expect(page.getByLabel("Target of segment 2, peak")).toHaveValue("741");
		await page.getByRole("button", { name: "Undo" }).click();
	});

	await test.step("planned bare in the Silo kiln and started with somebody there, an hour a second", async () => {
		await page.getByLabel("Kiln it is drawn for").selectOption({ label: "in the Silo kiln" });
		await page.getByRole("tab", { name: "Keep and fire" }).click();
		await page.getByLabel("What it is for").fill("roof tiles, test");
		await page.getByRole("button", { name: "Plan it" }).click();
		await arrived(page, "**/fire?firing=**");
		await ready(page);
		await expect(page.getByRole("heading", { name: /Silo kiln, roof tiles, test/ })).toBeVisible();
		await expect(page.getByText("Rooftop tack, version 1")).toBeVisible();
		number = (await page.getByRole("heading", { name: /Silo kiln/ }).textContent())?.split(" ")[0] ?? "";
		await setup().clock.hold();
		await page.getByLabel("Kiln clock").selectOption("3600");
		await page.getByLabel("Somebody is at the kiln").check();
		await page.getByRole("button", { name: /Start firing/ }).click();
		await expect(page.getByText("the stand-in’s clock runs ×3600")).toBeVisible();
		const follows = page.getByText(/the controller follows its programme/);
		await stepUntil(() => follows.isVisible());
	});

	await test.step("a note with one tap, and a power cut that is said on every screen", async () => {
		await page.getByRole("button", { name: "looked in" }).click();
		await expect(page.getByRole("region", { name: "Notes" })).toContainText("looked in");
		await page.getByText("This kiln is a stand-in").click();
		await steps(12); // three hours on: hot
		const told = page.waitForResponse("**/api/do/tellStandIn");
		await page.getByRole("button", { name: "power cut, 40 min" }).click();
		expect((await told).ok()).toBe(true);
		await open(page, "/kits");
		const alarms = page.getByRole("region", { name: "Alarms" });
		await stepUntil(() => alarms.getByText("Silo kiln: power was lost").isVisible());
		await expect(alarms).toContainText(/It fell from \d+ °C to \d+ °C/);
		await open(page, "/");
		await expect(page.locator("main")).toContainText("Silo kiln: power was lost");
	});

	await test.step("nothing resumes by itself; somebody goes to the kiln, and the firing ends and is opened", async () => {
		await open(page, "/fire");
		await page
			.getByRole("button", { name: /Silo kiln/ })
			.first()
			.click();
		await expect(page.getByText("waits after a power cut")).toBeVisible();
		await page.getByText("This kiln is a stand-in").click();
		await page.getByRole("button", { name: "press “go on” at the kiln" }).click();
		await stepUntil(() => page.getByText(/the controller follows its programme/).isVisible());
		await page.getByRole("region", { name: "Alarms" }).getByRole("button", { name: "Seen" }).first().click();
		await stepUntil(() => page.getByText("programme done, cooling by itself").isVisible());
		await expect(page.getByText(/later than planned/)).toBeVisible();
		await open(page, "/open");
		await page.getByRole("button", { name: `${number} Silo kiln` }).click();
		await openWhenCool(page);
		heard.length = 0; // refusals before it was cool
	});

	await test.step("the kiln’s page keeps it: expected, came, and what a log of it teaches", async () => {
		await open(page, "/fire/kilns");
		await page
			.locator("main")
			.getByRole("link", { name: /Silo kiln/ })
			.click();
		const row = page.getByRole("row", { name: /roof tiles, test/ });
		await expect(row).toContainText("Φ");
		await expect(row).toContainText("°C apart");
		await page.getByRole("tab", { name: "Learn" }).click();
		await page.getByLabel("From a measured firing").selectOption({ index: 3 });
		await expect(page.getByRole("row", { name: /heat it holds/ })).toContainText("±");
	});
	expect(heard).toEqual([]);
});

test("a log comes in with its columns said, and a kiln is written down with a round shelf and a line", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await open(page, "/fire/kilns");
	await page.getByRole("button", { name: "Add a kiln" }).click();
	await arrived(page, "**/fire/kilns/*");
	await page.locator("html[data-ready]").waitFor();
	await page.getByRole("tab", { name: "Kiln and shelf" }).click();
	await page.getByLabel("Name").first().fill("Cyclone kiln");
	await page.getByLabel("Outline").selectOption("round");
	await page.getByRole("button", { name: "Add a zone" }).click();
	await expect(page.getByLabel("Where")).toHaveValue("a corner");
	await page.getByRole("button", { name: /Write Cyclone kiln down/ }).click();
	await expect(page.getByRole("button", { name: "Written down" })).toBeVisible();

	await page.getByRole("tab", { name: "Learn" }).click();
	const lines = Array.from({ length: 400 }, (_, i) => {
		const minute = i * 2;
		const hot = minute < 200 ? 68 + minute * 6.3 : 70 + 1260 * Math.exp(-(minute - 200) / 230);
		return `${minute};${hot.toFixed(1).replace(".", ",")};${minute < 200 ? "100" : "0"}`;
	});
	await page.getByLabel("From a log file (CSV)").setInputFiles({
		name: "log.csv",
		mimeType: "text/csv",
		buffer: Buffer.from(["min;Temp (F);output %", ...lines].join("\n")),
	});
	await expect(page.getByText("400 lines")).toBeVisible();
	await expect(page.getByLabel("in", { exact: true })).toHaveValue("F");
	await page.getByLabel("It began at").fill("2026-05-04T08:00");
	await page.getByRole("button", { name: "Bring it in and look" }).click();
	await expect(page.getByText("400 readings were new")).toBeVisible();
	await expect(page.getByRole("row", { name: /falls by itself/ })).toContainText("±");
	await page.getByRole("button", { name: "Bring it in and look" }).click();
	await expect(page.getByText("0 readings were new, 400 were there already")).toBeVisible();

	await page.getByRole("button", { name: "Plan with what the log says" }).click();
	await expect(page.getByRole("region", { name: "Lessons" })).toContainText("W/K");

	await page.getByRole("tab", { name: "Line" }).click();
	await page.getByLabel("Line", { exact: true }).selectOption("modbus");
	await page.getByLabel("Address").fill("127.0.0.1");
	await page.getByText("Register map of the controller").click();
	await page.getByLabel("Register of temperature, degrees Celsius").fill("300");
	await page.getByRole("button", { name: "Read it like this" }).click();
	await expect(page.getByRole("button", { name: "Written down" })).toBeVisible();
	await page.getByLabel("Line", { exact: true }).selectOption("none");
	await page.getByRole("button", { name: "Read it like this" }).click();
});
