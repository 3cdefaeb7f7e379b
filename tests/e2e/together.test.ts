import { connect } from "node:net";
import { expect, open, ownStudio, personPage, setup, test } from "./studio";

ownStudio();

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

test("what cannot be read stops nothing: a broken address, a broken host, half a request", async () => {
	const { port } = new URL(setup().address);
	const raw = (text: string) =>
		new Promise<string>((done) => {
			let heard = "";
			const socket = connect(Number(port), "127.0.0.1", () => socket.end(text));
			socket.on("data", (chunk) => {
				heard += chunk;
			});
			socket.on("close", () => done(heard));
			socket.on("error", () => done(heard));
		});
	expect(await raw("GET /%E0%A4%A HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n")).toContain("400");
	await raw("GET /sign-in HTTP/1.1\r\nHost: ///\r\nConnection: close\r\n\r\n");
	await raw("POST /api/do/note HTTP/1.1\r\nHost: x\r\nContent-Length: 900\r\n\r\n{");
	expect((await fetch(`${setup().address}/api/health/ready`)).status).toBe(200);
});

test("a kit's file is refused with a sentence where the address is wrong", async ({ browser }) => {
	const page = await personPage(browser);
	const { kits } = await (await page.request.get("/api/see/kits")).json();
	const kit = kits[0].id as string;
	for (const [path, status] of [
		[`/api/kits/${kit}/kit.json`, 200],
		["/api/kits/not-an-id/kit.json", 404],
		["/api/kits/00000000-0000-4000-8000-000000000000/kit.json", 404],
		[`/api/kits/${kit}/kit.json?version=one`, 400],
		[`/api/kits/${kit}/kit.pdf?paper=napkin`, 400],
		[`/api/kits/${kit}/kit.exe`, 404],
	] as const) {
		const response = await page.request.get(path);
		expect(response.status(), path).toBe(status);
		if (status !== 200) expect((await response.json()).problems[0].sentence.join("").length, path).toBeGreaterThan(10);
	}
});

test("what one person does is seen by the other without asking", async ({ browser }) => {
	const [first, second] = [await personPage(browser), await personPage(browser, "assistant")];
	await open(second, "/cut");
	await open(first, "/cut");
	for (const page of [first, second]) await page.getByRole("tab", { name: "Parts" }).click();
	const row = (page: typeof first) => page.locator("li", { hasText: "from strips 32 mm wide" }).first();
	const before = Number((await row(second).textContent())?.match(/(\d+) done/)?.[1] ?? 0);
	await row(first)
		.getByRole("button", { name: /One more/ })
		.click();
	await expect(row(second)).toContainText(`${before + 1} done`);
});

test("an assistant sees kits but cannot change them", async ({ browser }) => {
	const page = await personPage(browser, "assistant");
	await open(page, "/kits");
	await expect(page.getByRole("button", { name: "Lay out a new kit" })).toHaveCount(0);
	await page.locator("main ul li a").first().click();
	await expect(page.getByTestId("stack-code")).toBeVisible();
	await expect(page.getByRole("button", { name: /Save this kit|Saved/ })).toHaveCount(0);
});
