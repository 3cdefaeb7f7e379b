import { arrived, expect, open, ownStudio, personPage, setup, test } from "./studio";

ownStudio();

test("sign-in is limited: who mistypes often is told to wait", async ({ playwright }) => {
	const { address, clock } = setup();
	await clock.hold(); // however slow the machine
	const request = await playwright.request.newContext();
	const attempt = async () =>
		(
			await request.post(`${address}/api/auth/sign-in/email`, {
				headers: { Origin: address },
				data: { email: "marit@tailvane.example", password: "wrong wrong wrong" },
			})
		).status();
	const answers: number[] = [];
	for (let i = 0; i < 10; i++) answers.push(await attempt());
	expect(answers.at(-1)).toBe(429);
});

test("a changed password holds at once, the wrong one is said so", async ({ browser }) => {
	const page = await personPage(browser, "assistant");
	const known = setup().signIns.find(({ role }) => role === "assistant")?.password ?? "";
	await open(page, "/account");
	await page.getByLabel("Present password").fill("not the present one");
	await page.getByLabel("New password").fill("ladder tarpaulin vinegar");
	await page.getByRole("button", { name: "Change it" }).click();
	await expect(page.getByText("The present password is not right.")).toBeVisible();
	await page.getByLabel("Present password").fill(known);
	await page.getByLabel("New password").fill("short");
	await page.getByRole("button", { name: "Change it" }).click();
	await expect(page.getByText("A password needs at least 10 characters.")).toBeVisible();
	await page.getByLabel("New password").fill("ladder tarpaulin vinegar");
	await page.getByRole("button", { name: "Change it" }).click();
	await expect(page.getByText("Changed.")).toBeVisible();
	await open(page, "/account");
	await page.getByRole("button", { name: "Sign out" }).click();
	await arrived(page, "**/sign-in");
	await page.goto("/load");
	await arrived(page, "**/sign-in?then=**");
});
