import { expect, open, personPage, setup, test } from "./studio";

test("two people hand in the same piece: the second is told and keeps what was typed", async ({ browser }) => {
	const [first, second] = [await personPage(browser), await personPage(browser, "assistant")];
	await open(first, "/bench");
	await open(second, "/bench");
	const button = first.getByRole("button", { name: /^Hand in [2-9A-Z]{5}$/ }).first();
	const code = (await button.getAttribute("aria-label"))?.replace("Hand in ", "") ?? "";
	for (const page of [first, second]) {
		await page.getByRole("button", { name: `Hand in ${code}` }).click();
		for (const [label, value] of [
			["Width", "97"],
			["Height", "96"],
			["Thickest point", "6.1"],
			["Thinnest point", "6"],
		] as const) {
			await page.getByLabel(label).fill(value);
		}
	}
	// The second person's browser hears nothing of the first: as if the network had dropped for a moment.
	await second.route("**/api/see/**", (route) => route.abort());
	await first.getByRole("form").getByRole("button", { name: "Hand in" }).click();
	await expect(first.getByRole("form", { name: `Hand in ${code}` })).toHaveCount(0);
	await second.getByRole("form").getByRole("button", { name: "Hand in" }).click();
	await expect(second.getByText(`${code} was handed in while you were working on it.`)).toBeVisible();
	await expect(second.getByLabel("Width")).toHaveValue("97");
});

test("a request from elsewhere, without a session or with unknown fields is refused with a sentence", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const { address } = setup();
	const post = (headers: Record<string, string>, body: unknown) =>
		page.request.post(`${address}/api/do/note`, {
			headers: { "Content-Type": "application/json", ...headers },
			data: JSON.stringify(body),
		});
	expect((await post({ Origin: "https://elsewhere.example" }, {})).status()).toBe(403);
	const unknown = await post({ Origin: address }, { pieceId: "x", extra: 1 });
	expect(unknown.status()).toBe(400);
	expect(JSON.stringify(await unknown.json())).toContain("Unknown field extra.");
	const stranger = await (await browser.newContext()).request.get(`${address}/api/see/today`);
	expect(stranger.status()).toBe(401);
	const headers = (await page.request.get(`${address}/`)).headers();
	expect(headers["content-security-policy"]).toContain("default-src 'self'");
	expect(headers["content-security-policy"]).not.toContain("unsafe-inline");
	expect(headers["x-content-type-options"]).toBe("nosniff");
});

test("what one person does is seen by the other without asking", async ({ browser }) => {
	const [first, second] = [await personPage(browser), await personPage(browser, "assistant")];
	await open(second, "/cut");
	await open(first, "/cut");
	const row = (page: typeof first) => page.locator("li", { hasText: "from strips 32 mm wide" }).first();
	const before = Number((await row(second).textContent())?.match(/(\d+) done/)?.[1] ?? 0);
	await row(first)
		.getByRole("button", { name: /One more/ })
		.click();
	await expect(row(second)).toContainText(`${before + 1} done`, { timeout: 4000 });
});

test("an assistant sees kits but cannot change them", async ({ browser }) => {
	const page = await personPage(browser, "assistant");
	await open(page, "/kits");
	await expect(page.getByRole("button", { name: "Lay out a new kit" })).toHaveCount(0);
	await page.locator("main ul li a").first().click();
	await expect(page.getByTestId("stack-code")).toBeVisible();
	await expect(page.getByRole("button", { name: /Save this kit|Saved/ })).toHaveCount(0);
});
