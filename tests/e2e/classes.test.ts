import { randomUUID } from "node:crypto";
import { readFile } from "node:fs/promises";
import { violations } from "./axe";
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

test("strangers ask for a place without a script: told what is wrong, the last place, the waiting list, too many", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const { sessions } = await (await page.request.get("/api/see/calendar")).json();
	const coming = sessions.find(({ title }: { title: string }) => title === "Roofs and night sky");
	await open(page, `/classes/${coming.courseId}`);
	await page.getByRole("tab", { name: "Sign-up 2" }).click();
	const address = await page.getByLabel("Address of the sign-up page").inputValue();

	const plain = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 360, height: 740 } });
	const guest = await plain.newPage();
	await guest.goto(address);
	await expect(guest.getByRole("heading", { name: "Roofs and night sky" })).toBeVisible();
	// Nine places, six students, two who asked before.
	await expect(guest.getByText("1 place left of 9")).toBeVisible();
	expect(await guest.content()).not.toMatch(/Harrowgate|Mertens|<script/);
	await guest.getByLabel("Your name").fill("Perrin Vole");
	await guest.getByLabel("Your e-mail").fill("perrin@post.example");
	for (const box of await guest.getByRole("checkbox").all()) await box.check();
	await guest.getByRole("button", { name: "Ask for a place" }).click();
	await expect(guest.getByText("A large kit takes the whole class: choose it alone.")).toBeVisible();
	await expect(guest.getByLabel("Your name")).toHaveValue("Perrin Vole");
	await guest.getByRole("checkbox", { name: /takes the whole class/ }).uncheck();
	await guest.getByRole("button", { name: "Ask for a place" }).click();
	await expect(guest.getByRole("heading", { name: "Thank you" })).toBeVisible();

	await guest.goto(address);
	await expect(guest.getByText("0 places left of 9")).toBeVisible();
	await guest.getByLabel("Your name").fill("Late Asker");
	await guest.getByLabel("Your e-mail").fill("late@post.example");
	await guest.getByRole("checkbox", { name: /takes the whole class/ }).check();
	await guest.getByRole("button", { name: "Ask for a place on the waiting list" }).click();
	await expect(guest.getByRole("heading", { name: "You are on the waiting list" })).toBeVisible();

	// A program that fills the form on and on is stopped; what came before stays.
	const statuses: number[] = [];
	for (let i = 0; i < 13; i++) {
		const form = {
			name: `Robot ${i}`,
			email: `robot${i}@post.example`,
			phone: "",
			adult: "",
			note: "",
			kit: randomUUID(),
		};
		const answer = await plain.request.post(address, { form, headers: { Origin: setup().address } });
		statuses.push(answer.status());
	}
	expect(statuses.at(-1)).toBe(429);
	const elsewhere = await plain.request.post(address, { form: { name: "x" }, headers: { Origin: "http://x.example" } });
	expect(elsewhere.status()).toBe(403);
	await plain.close();

	// The instructor's page heard of it.
	await expect(page.getByRole("tab", { name: "Sign-up 4" })).toBeVisible();
	await expect(page.getByText("Asked when all places were taken.")).toHaveCount(1);
	await page.getByRole("button", { name: "Let Perrin Vole in" }).click();
	await expect(page.getByText("Has a place. Tell them so.")).toBeVisible();
	await expect(page.getByRole("row", { name: /Perrin Vole makes / })).toBeVisible();
	const late = page.getByRole("listitem").filter({ hasText: "Late Asker" });
	await late.getByRole("button", { name: "Say no …" }).click();
	await late.getByRole("button", { name: "Say no" }).click();
	await expect(page.getByRole("tab", { name: "Sign-up 2" })).toBeVisible();

	const reader = await browser.newContext();
	const seen = await reader.newPage();
	await seen.goto(address);
	expect(await violations(seen)).toEqual([]);
	await reader.close();
});

test("glass and kilns come from lists of another encoding, a broken line is told; everything goes out again", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await open(page, "/books");
	await page.getByRole("button", { name: "Take a list as CSV …" }).click();
	const glass = "Glas;Familie;Dicke;Preis\r\nGrüner Wind;90;3 mm;81,50\r\nOhne Maß;90;dick;70\r\nFremdes;104;3;70\r\n";
	const file = { name: "glas.csv", mimeType: "text/csv", buffer: Buffer.from(glass, "latin1") };
	await page.getByLabel("Your glasses from a list as CSV").setInputFiles(file);
	await expect(page.getByText("Windows-1252, separated by semicolons.")).toBeVisible();
	await expect(page.getByText("Line 3: thickness: “dick” is not a length.")).toBeVisible();
	await expect(page.getByText("Line 4: There is no family “104” in the book.")).toBeVisible();
	await page.getByRole("button", { name: "Take 1 glasses, leave 2 out" }).click();
	await expect(page.getByRole("status").filter({ hasText: "1 new, 0 changed." })).toBeVisible();
	await expect(page.getByRole("button", { name: /Grüner Wind/ })).toBeVisible();

	await open(page, "/fire/kilns");
	await page.getByRole("button", { name: "Take a list as CSV …" }).click();
	const kilns = "kiln,power,width,depth\nSilo kiln,3.8 kW,,\nLoft kiln,5200,520,420\n";
	await page
		.getByLabel("Your kilns from a list as CSV")
		.setInputFiles({ name: "kilns.csv", mimeType: "text/csv", buffer: Buffer.from(kilns) });
	await page.getByRole("button", { name: "Take 2 kilns" }).click();
	await expect(page.getByRole("status").filter({ hasText: "1 new, 1 changed." })).toBeVisible();
	await expect(page.getByRole("main").getByRole("link", { name: /Loft kiln/ })).toBeVisible();

	await open(page, "/settings");
	await page.getByRole("tab", { name: "Paper and money" }).click();
	const waiting = page.waitForEvent("download");
	await page.getByRole("link", { name: "JSON" }).click();
	const out = await readFile(await (await waiting).path(), "utf8");
	const { tables } = JSON.parse(out);
	expect(tables.glass.map(({ name }: { name: string }) => name)).toContain("Grüner Wind");
});
