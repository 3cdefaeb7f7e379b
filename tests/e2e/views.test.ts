import { VIEWS, violations } from "./axe";
import { arrived, complaints, expect, open, ownStudio, personPage, setup, test } from "./studio";

ownStudio();

test("every view: no serious violation, no complaint of the browser, in both themes", async ({ browser }) => {
	const page = await personPage(browser);
	const heard = complaints(page);
	const paths = [...VIEWS];
	await open(page, "/kits");
	paths.push((await page.locator("main ul li a").first().getAttribute("href")) ?? "");
	const { sessions } = await (await page.request.get("/api/see/calendar")).json();
	paths.push(`/classes/${sessions[0].courseId}`);
	const { students } = await (await page.request.get("/api/see/students")).json();
	paths.push(`/students?student=${students[0].id}`);
	await open(page, "/fire/kilns");
	paths.push((await page.locator("main li a").first().getAttribute("href")) ?? "");
	await open(page, "/hand-over");
	paths.push(`/piece/${(await page.locator("main li span.figure").first().textContent())?.trim()}`);
	paths.push(`/labels?codes=${paths.at(-1)?.split("/").pop()}`);
	for (const path of paths) {
		await open(page, path);
		expect(await violations(page), path).toEqual([]);
	}
	expect(heard).toEqual([]);
});

test("the sign-in page is clean and the door says what is wrong", async ({ browser }) => {
	const page = await (await browser.newContext({ baseURL: setup().address })).newPage();
	await page.goto("/load?x=1");
	await arrived(page, "**/sign-in?then=**");
	await expect(page.locator("astro-island[ssr]")).toHaveCount(0);
	expect(await violations(page)).toEqual([]);
	await page.getByLabel("E-mail").fill("nobody@tailvane.example");
	await page.getByLabel("Password").fill("not the password");
	await page.getByRole("button", { name: "Sign in" }).click();
	await expect(page.getByText("This e-mail and password do not belong together.")).toBeVisible();
});

test("units switch everywhere at once", async ({ browser }) => {
	const page = await personPage(browser);
	await open(page, "/fire");
	await expect(page.locator("section[aria-label=Do]").getByText("482 °C").first()).toBeVisible();
	await page.getByRole("button", { name: /^Units/ }).click();
	await expect(page.locator("section[aria-label=Do]").getByText("900 °F").first()).toBeVisible();
	await expect(page.getByText(/\d °C/)).toHaveCount(0);
	await page.reload();
	await expect(page.locator("section[aria-label=Do]").getByText("900 °F").first()).toBeVisible();
	await page.getByRole("button", { name: /^Units/ }).click();
});

test("on a tablet every view fits its width", async ({ browser }) => {
	const page = await personPage(browser);
	await page.setViewportSize({ width: 768, height: 1024 });
	for (const path of VIEWS) {
		await open(page, path);
		const [wide, shown] = await page.evaluate(() => [
			document.documentElement.scrollWidth,
			document.documentElement.clientWidth,
		]);
		expect(wide, path).toBeLessThanOrEqual(shown ?? 0);
		const cut = await page
			.locator("main button:visible, header a:visible")
			.evaluateAll((all) =>
				all.filter((one) => one.getBoundingClientRect().right > innerWidth + 1).map((one) => one.textContent),
			);
		expect(cut, path).toEqual([]);
	}
});

test("the way of a piece is reached by keyboard alone", async ({ browser }) => {
	const page = await personPage(browser);
	for (const [key, path] of [
		["2", "/cut"],
		["3", "/bench"],
		["4", "/dry"],
		["5", "/load"],
		["6", "/fire"],
		["7", "/open"],
		["8", "/hand-over"],
		["0", "/"],
	] as const) {
		await page.keyboard.press(key);
		await arrived(page, `**${path}`);
		await expect(page.locator("html[data-ready]")).toHaveCount(1);
	}
	await page.keyboard.press("?");
	await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
	await page.keyboard.press("Escape");
	await page.keyboard.press("/");
	await page.getByLabel("Piece code, student, kit, glass or kiln").fill("pump");
	await expect(page.getByRole("dialog").getByRole("option", { name: /Pump-wheel tile/ })).toBeVisible();
	await page.keyboard.press("Enter");
	await arrived(page, "**/kits/*");
	const fields = page.getByLabel("Kit", { exact: true });
	await fields.focus();
	await fields.press("End");
	await fields.pressSequentially(" 12");
	await expect(fields).toHaveValue("Pump-wheel tile 12"); // digits in a field are no station keys
});

test("no page's script is over its budget on the wire; what has a hash in its name is kept for ever", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await open(page, "/kits");
	const kit = (await page.locator("main ul li a").first().getAttribute("href")) ?? "";
	await open(page, "/fire/kilns");
	const kiln = (await page.locator("main li a").first().getAttribute("href")) ?? "";
	const wire = await page.context().newCDPSession(page);
	await wire.send("Network.enable");
	await wire.send("Network.setCacheDisabled", { cacheDisabled: true });
	const scripts = new Map<string, number>();
	wire.on("Network.responseReceived", ({ requestId, response }) => {
		if (!new URL(response.url).pathname.endsWith(".js")) return;
		scripts.set(requestId, 0);
		const headers = new Headers(response.headers);
		expect(headers.get("cache-control"), response.url).toBe("public, max-age=31536000, immutable");
	});
	wire.on("Network.loadingFinished", ({ requestId, encodedDataLength }) => {
		if (scripts.has(requestId)) scripts.set(requestId, encodedDataLength);
	});
	for (const path of [...VIEWS, "/books?tab=samples", kiln, kit]) {
		scripts.clear();
		await open(page, path);
		await page.waitForLoadState("networkidle").catch(() => {});
		const bytes = [...scripts.values()].reduce((sum, size) => sum + size, 0);
		if (process.env.ZEPHYR_SAY_SIZES) console.log(path, Math.round(bytes / 1024), "KB");
		expect(bytes, `${path}: ${Math.round(bytes / 1024)} KB`).toBeGreaterThan(10_000);
		expect(bytes, `${path}: ${Math.round(bytes / 1024)} KB`).toBeLessThan(
			(path === kit || path === "/fire/schedule" ? 350 : 150) * 1024,
		);
	}
});
