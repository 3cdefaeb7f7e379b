import { arrived, expect, open, ownStudio, personPage, setup, test } from "./studio";

ownStudio();

const dayOn = (now: Date, days: number) => new Date(now.getTime() + days * 86_400_000).toISOString().slice(0, 10);

test("a course of six evenings, moved by a week: what becomes of it is shown before, and both windows see it after", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const other = await personPage(browser);
	await open(page, "/classes?new=1");
	const now = new Date(await page.evaluate(() => Date.now()));
	await page.getByLabel("Title").fill("Weather in glass");
	await page.getByLabel("Day", { exact: true }).fill(dayOn(now, 3));
	await page.getByLabel("How many evenings").fill("6");
	await page.getByRole("textbox", { name: "Room" }).fill("Loft");
	await page.getByRole("button", { name: "Put 6 evenings on the calendar" }).click();
	await arrived(page, /\/classes\/[0-9a-f-]{36}$/);
	await page.waitForLoadState("networkidle");
	await open(other, new URL(page.url()).pathname);

	await page.getByLabel("Name").fill("Vesper Lund");
	await page.getByRole("button", { name: "Add Vesper Lund, who is new" }).click();
	await expect(page.getByRole("status").filter({ hasText: "Has a place." })).toBeVisible();
	await expect(other.getByRole("link", { name: "Vesper Lund" })).toBeVisible();

	await page.getByRole("tab", { name: "Evenings" }).click();
	await expect(page.getByRole("list", { name: "What becomes of it" }).getByRole("listitem")).toHaveCount(6);
	await expect(page.getByText("No piece was promised in them yet.")).toBeVisible();
	await page.getByRole("button", { name: "Move 6 evenings" }).click();
	await expect(page.getByRole("status").filter({ hasText: "Moved." })).toBeVisible();

	// The other window moves what it saw before: told, and nothing moves twice.
	const { sessions } = await (
		await other.request.get("/api/see/course", { params: { id: page.url().split("/").at(-1) ?? "" } })
	).json();
	expect(sessions.map(({ day }: { day: string }) => day)[0]).toBe(dayOn(now, 10));

	// A class in the same room at the same time is refused at its field, and nothing typed is lost.
	await open(other, "/classes?new=1");
	await other.getByLabel("Title").fill("In the way");
	await other.getByLabel("Day", { exact: true }).fill(dayOn(now, 10));
	await other.getByRole("textbox", { name: "Room" }).fill("loft");
	await other.getByRole("button", { name: "Put it on the calendar" }).click();
	await expect(other.getByText(/“Weather in glass” has Loft on .* Choose another time or room/)).toBeVisible();
	await expect(other.getByLabel("Title")).toHaveValue("In the way");
});

test("who came is marked with a press, the evening is called off, a place is given up and given on", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const { sessions } = await (await page.request.get("/api/see/calendar")).json();
	const today = sessions.find(({ title }: { title: string }) => title === "Wind and weather");
	await open(page, `/classes/${today.courseId}`);
	const seat = page.getByRole("button", { name: /^Ilse Varnhold, .* not looked at/ });
	await seat.click();
	await expect(page.getByRole("button", { name: /^Ilse Varnhold, .*: came/ })).toBeVisible();
	await page.getByLabel("Name").fill("Late Comer");
	await page.getByRole("button", { name: "Add Late Comer, who is new" }).click();
	await expect(page.getByText("The class is full at 8 places: on the waiting list.")).toBeVisible();
	await page.getByRole("button", { name: "Give a place" }).click();
	await expect(page.getByText("No place is free yet")).toBeVisible();
	await page.getByRole("button", { name: "Lene Quist leaves the course" }).click();
	await expect(page.getByRole("link", { name: "Lene Quist" })).toHaveCount(0);
	await page.getByRole("button", { name: "Give a place" }).click();
	await expect(page.getByRole("link", { name: "Late Comer" })).toBeVisible();

	await open(page, "/classes");
	await page.getByRole("button", { name: /^Wind and weather/ }).click();
	await page.getByRole("button", { name: "Call this evening off" }).click();
	await expect(page.getByRole("button", { name: /^Wind and weather.*called off/ })).toBeVisible();
});

test("somebody invited joins without a script in their browser; the address opens once", async ({ browser }) => {
	const page = await personPage(browser);
	await open(page, "/people");
	await page.getByLabel("For whom").fill("Otto");
	await page.getByRole("button", { name: "Make the address" }).click();
	const address = await page.getByLabel("Address of the invitation").inputValue();
	const plain = await browser.newContext({ javaScriptEnabled: false });
	const guest = await plain.newPage();
	await guest.goto(address);
	await guest.getByLabel("Your name").fill("Otto Bree");
	await guest.getByLabel("Your e-mail").fill("otto@foundry.example");
	await guest.getByLabel("Password").fill("short");
	await guest.getByRole("button", { name: "Join" }).click();
	await expect(guest.getByText("A password needs at least 10 characters.")).toBeVisible();
	await expect(guest.getByLabel("Your name")).toHaveValue("Otto Bree");
	await guest.getByLabel("Password").fill("seven lanterns on a pump");
	await guest.getByRole("button", { name: "Join" }).click();
	await expect(guest).toHaveURL(`${setup().address}/`);
	await expect(guest.getByLabel("Signed in as Otto Bree, assistant")).toBeVisible();
	const late = await plain.newPage();
	await plain.clearCookies();
	await late.goto(address);
	await expect(late.getByText("This invitation was used already. Sign in, or ask for a new one.")).toBeVisible();
	await plain.close();
});
