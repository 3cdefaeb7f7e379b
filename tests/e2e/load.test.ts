import type { Page } from "@playwright/test";
import { violations } from "./axe";
import { expect, open, ownStudio, personPage, test } from "./studio";

ownStudio();

/** The middle of a piece on the shelf, in the page. */
async function middleOf(page: Page, code: string): Promise<{ x: number; y: number }> {
	const box = await page.getByRole("button", { name: new RegExp(`^${code} `) }).boundingBox();
	if (!box) throw new Error(`${code} is not on the shelf`);
	return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

const codesOn = async (page: Page): Promise<string[]> =>
	(await page.getByRole("region", { name: "Shelf" }).locator("path[role=button]").all()).reduce<Promise<string[]>>(
		async (before, one) => [...(await before), ((await one.getAttribute("aria-label")) ?? "").split(" ")[0] ?? ""],
		Promise.resolve([]),
	);

test("a load is laid by hand, accepted by one of two, and laid in by scanning", async ({ browser }) => {
	const page = await personPage(browser);
	const other = await personPage(browser, "assistant");
	for (const one of [page, other]) {
		await open(one, "/load");
		await one.getByRole("button", { name: "Hopper kiln" }).click();
		await one.getByRole("button", { name: /90 · full · to 6.5 mm/ }).click();
		await expect(one.getByRole("button", { name: /^Accept this load of \d+/ })).toBeEnabled();
	}
	const accept = page.getByRole("button", { name: /^Accept this load of/ });
	await test.step("each kiln has its own laying, not the one that was shown before", async () => {
		const places = () =>
			page
				.getByRole("region", { name: "Shelf" })
				.locator("path[role=button]")
				.evaluateAll((all) => all.map((one) => one.getAttribute("d")).join());
		const onHopper = await places();
		await page.getByRole("button", { name: "Silo kiln" }).click();
		await expect(accept).toBeEnabled();
		await expect.poll(places).not.toBe(onHopper);
		await page.getByRole("button", { name: "Hopper kiln" }).click();
		await expect(accept).toBeEnabled();
		await expect.poll(places).toBe(onHopper);
	});
	const codes = await codesOn(page);
	const [a = "", b = ""] = codes;
	expect(codes.length).toBeGreaterThan(2);

	await test.step("dragged onto another it is said at once, and one step takes it back", async () => {
		const [from, to] = [await middleOf(page, a), await middleOf(page, b)];
		await page.mouse.move(from.x, from.y);
		await page.mouse.down();
		await page.mouse.move(to.x - 12, to.y + 6, { steps: 12 });
		await expect(page.getByText(/would touch, or come nearer than 5 mm/)).toBeVisible();
		await page.mouse.up();
		await expect(accept).toBeDisabled();
		await page.getByRole("button", { name: "Undo" }).click();
		await expect(accept).toBeEnabled();
		const back = await middleOf(page, a);
		expect(Math.hypot(back.x - from.x, back.y - from.y)).toBeLessThan(2);
	});

	await test.step("by keys it is moved, turned, pinned; laid again, what is pinned stays", async () => {
		await page.getByRole("button", { name: new RegExp(`^${a} `) }).focus();
		const from = await middleOf(page, a);
		await page.keyboard.press("p");
		await page.getByRole("button", { name: "Lay again round 1 pinned" }).click();
		await expect(page.getByRole("button", { name: "Lay again round 1 pinned" })).toBeEnabled();
		const then = await middleOf(page, a);
		expect(Math.hypot(then.x - from.x, then.y - from.y)).toBeLessThan(2);
		expect((await codesOn(page)).sort()).toEqual([...codes].sort());
		await expect(accept).toBeEnabled();
		await page.getByRole("button", { name: new RegExp(`^${a} `) }).focus();
		for (let i = 0; i < 40; i++) await page.keyboard.press("Shift+ArrowLeft");
		await expect(page.getByText(new RegExp(`${a} lies over the edge`))).toBeVisible();
		for (let i = 0; i < 40; i++) await page.keyboard.press("Shift+ArrowRight");
		await page.keyboard.press("r");
		await page.keyboard.press("Shift+R");
		await expect(accept).toBeEnabled();
	});

	await test.step("taken out, it is offered for the gap it left", async () => {
		await page.getByRole("button", { name: new RegExp(`^${b} `) }).focus();
		await page.keyboard.press("Delete");
		await expect(accept).toHaveText(`Accept this load of ${codes.length - 1}`);
		await page.getByRole("button", { name: "What fits in the gaps?" }).click();
		await page.getByRole("button", { name: new RegExp(`^put in ${b}`) }).click();
		await expect(accept).toHaveText(`Accept this load of ${codes.length}`);
		await expect(accept).toBeEnabled();
		expect(await violations(page)).toEqual([]);
	});

	let number = 0;
	await test.step("of two who accept it one wins; the other, who heard nothing of it, is told", async () => {
		await other.route("**/api/see/**", (route) => route.abort());
		await accept.click();
		const planned = page.getByText(/Firing \d+ is planned/);
		await expect(planned).toBeVisible();
		number = Number((await planned.textContent())?.match(/Firing (\d+)/)?.[1]);
		await other.getByRole("button", { name: `Accept this load of ${codes.length}`, exact: true }).click();
		await expect(other.getByText(/^[A-Z0-9]{5} changed while you were planning\./)).toBeVisible();
		await other.unroute("**/api/see/**");
		await open(other, "/load");
		for (const code of [a, b])
			await expect(other.getByRole("region", { name: "Trays" }).getByText(code)).toHaveCount(0);
		const { firings } = await (await page.request.get("/api/see/fire")).json();
		expect(firings.filter((one: { number: number }) => one.number >= number)).toHaveLength(1);
	});

	await test.step("each piece is confirmed by its code; another is told from those of the load", async () => {
		const { firings } = await (await page.request.get("/api/see/fire")).json();
		const { id } = firings.find((one: { number: number }) => one.number === number);
		await open(page, `/load/lay?firing=${id}`);
		const next = page.getByRole("region", { name: "Next" });
		await expect(next).toContainText(`1 of ${codes.length}`);
		const field = page.getByLabel("Scan or type its code");
		await expect(field).toBeFocused();
		await field.fill(b);
		await field.press("Enter");
		await expect(next).toContainText(`${b} lies in its place.`);
		await expect(next).toContainText(`2 of ${codes.length}`);
		const { trays } = await (await page.request.get("/api/see/load")).json();
		const strange = trays[0]?.pieces[0]?.code ?? "";
		await field.fill(strange);
		await field.press("Enter");
		await expect(next).toContainText(`${strange} is not in this load`);
		for (const code of codes.filter((one) => one !== b)) {
			await field.fill(code);
			await field.press("Enter");
			await expect(next).toContainText(`${code} lies in its place.`);
		}
		await expect(next).toContainText(`All ${codes.length} lie in their places.`);
		expect(await violations(page)).toEqual([]);
		await page.getByRole("link", { name: "Print map and lists" }).click();
		await expect(page.getByRole("heading", { name: "In this order, from the far side" })).toBeVisible();
		await expect(page.getByRole("row")).toHaveCount(codes.length + 1);
		expect(await violations(page)).toEqual([]);
	});
});

test("a piece goes into another tray: what that does is said before, its page says it after; an assistant is not asked", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await open(page, "/load");
	await page.getByRole("button", { name: /90 · contour/ }).click();
	await page.getByRole("button", { name: "Into another tray …" }).click();
	const panel = page.getByRole("region", { name: "Into another tray" });
	await expect(panel).toContainText("fine texture and raised parts are gone");
	await expect(panel).toContainText(/It cools as [\d.]+ mm, not as [\d.]+ mm\./);
	const code = (await panel.getByLabel("Piece").locator("option:checked").textContent())?.split(" ")[0] ?? "";
	expect(await violations(page)).toEqual([]);
	await panel.getByRole("button", { name: "Up into full" }).click();
	await expect(panel.getByLabel("Piece").locator("option", { hasText: code })).toHaveCount(0);
	await open(page, `/piece/${code}`);
	await expect(page.getByText("Into another tray")).toBeVisible();
	await expect(page.getByText("for full", { exact: true })).toBeVisible();
	const assistant = await personPage(browser, "assistant");
	await open(assistant, "/load");
	await assistant.getByRole("button", { name: /90 · contour/ }).click();
	await expect(assistant.getByText(/cools as/).first()).toBeVisible();
	await expect(assistant.getByRole("button", { name: "Into another tray …" })).toHaveCount(0);
});

test("two weeks are planned, announced, and a firing is moved after one has seen what that does", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await open(page, "/load/plan");
	const calendar = page.getByRole("group", { name: "Kilns over the coming days" });
	const meaning = page.getByRole("region", { name: "What it means" });
	await expect(page.getByText(/planned in/)).toBeVisible();
	for (const name of ["Fewest firings", "Gentlest", "Soonest home"]) {
		await page.getByRole("button", { name: new RegExp(`^${name}`) }).click();
		await expect(meaning).toContainText("promises kept");
	}
	const proposed = calendar.getByRole("button", { name: /^Proposed/ });
	const firings = await proposed.count();
	expect(firings).toBeGreaterThan(0);
	const lay = meaning.getByRole("link", { name: "Lay it on the shelf" });
	// One whose pieces are dry: others are announced with the plan.
	for (const one of await proposed.all()) {
		await one.click();
		if ((await lay.count()) > 0) break;
	}
	await expect(lay).toHaveAttribute("href", /\/load\?kiln=.*&start=\d+&pieces=/);
	await lay.click();
	await expect(page.getByText(/to be started .* as the plan has it/)).toBeVisible();
	await page.goBack();
	await expect(page.getByText(/planned in/)).toBeVisible();
	const announced = calendar.getByRole("button", { name: /announced/ });
	const there = await announced.count();
	await meaning.getByRole("button", { name: /^Announce \d+ firing/ }).click();
	const said = page.getByText(/^\d+ firings? announced/);
	await expect(said).toBeVisible();
	// All of them stand on the calendar before one is taken: which is the last changes as they come.
	await expect(announced).toHaveCount(there + Number.parseInt((await said.textContent()) ?? "", 10));
	const last = announced.last();
	const before = await last.getAttribute("aria-label");
	await last.focus();
	await page.keyboard.press("ArrowRight");
	await expect(meaning).toContainText("would start");
	await page.keyboard.press("Escape");
	await expect(meaning).not.toContainText("would start");
	await last.focus();
	// A day on, at the same hour: nothing else is announced there.
	for (let i = 0; i < 24; i++) await page.keyboard.press("ArrowRight");
	await expect(meaning).toContainText(/No promise changes|Breaks the promise|Keeps the promise/);
	const moved = page.waitForResponse("**/api/do/moveFiring");
	await page.keyboard.press("Enter");
	expect((await moved).ok()).toBe(true);
	await expect(calendar.getByRole("button", { name: before ?? "" })).toHaveCount(0);
	expect(await violations(page)).toEqual([]);
});
