import { Secret, TOTP } from "otpauth";
import { violations } from "./axe";
import { arrived, expect, open, ownStudio, personPage, setup, test } from "./studio";

ownStudio();

test("people: where somebody is signed in ends at a press, an account is shut and opened, and it is written down", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const other = await personPage(browser, "assistant");
	await open(other, "/");
	await open(page, "/people");
	const person = page.getByRole("region", { name: "People" }).getByRole("listitem").filter({ hasText: "jonty" });
	await person.getByRole("button", { name: "Shut the account" }).click();
	await arrived(other, "**/sign-in");
	await expect(person.getByRole("button", { name: "Open again" })).toBeVisible();
	await expect(page.getByRole("region", { name: "What happened" }).getByText("account shut")).toBeVisible();
	await person.getByRole("button", { name: "Open again" }).click();
	await expect(person.getByRole("button", { name: "Shut the account" })).toBeVisible();
	await other.goto("/nowhere");
	await arrived(other, "**/sign-in?then=**");
	await open(page, "/nowhere");
	await expect(page.getByText("There is no page at this address.")).toBeVisible();
	expect(await violations(page)).toEqual([]);
});

test("a code at the door: set up, asked for, replaced by one that was written down, switched off again", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const { email, password } = setup().signIns.find(({ role }) => role === "instructor") ?? { email: "", password: "" };
	await open(page, "/account");
	const section = page.getByRole("region", { name: "A code at the door" });
	await section.getByLabel("Your password").fill(password);
	await section.getByRole("button", { name: "Set it up" }).click();
	const secret = (await section.locator("b.figure").textContent())?.replaceAll(" ", "") ?? "";
	await section.getByLabel("The six digits it shows").fill("000000");
	await section.getByRole("button", { name: "Ask for it from now on" }).click();
	await expect(section.getByText("This is not the code it shows now.")).toBeVisible();
	await section.getByLabel("The six digits it shows").fill(new TOTP({ secret: Secret.fromBase32(secret) }).generate());
	await section.getByRole("button", { name: "Ask for it from now on" }).click();
	await expect(section.getByRole("listitem")).toHaveCount(8);
	expect(await violations(page)).toEqual([]);
	const written = (await section.getByRole("listitem").first().textContent()) ?? "";
	await section.getByRole("button", { name: "They are written down" }).click();
	await expect(section.getByText("On.")).toBeVisible();

	await page.getByRole("button", { name: "Sign out" }).click();
	await arrived(page, "**/sign-in");
	await expect(page.locator("astro-island[ssr]")).toHaveCount(0);
	await page.getByLabel("E-mail").fill(email);
	await page.getByLabel("Password").fill(password);
	await page.getByRole("button", { name: "Sign in" }).click();
	await expect(page.getByText("Type the six digits that your device shows")).toBeVisible();
	await page.getByLabel("Code").fill(written);
	await page.getByRole("button", { name: "Sign in" }).click();
	await arrived(page, (url) => url.pathname === "/");
	await open(page, "/account");
	await expect(section.getByText("7 of the codes")).toBeVisible();
	await section.getByLabel("Your password").fill(password);
	await section.getByRole("button", { name: "Switch it off" }).click();
	await expect(section.getByRole("button", { name: "Set it up" })).toBeVisible();
});
