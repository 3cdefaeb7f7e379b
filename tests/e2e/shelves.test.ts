import { violations } from "./axe";
import { expect, open, ownStudio, personPage, test } from "./studio";

ownStudio();

test("a load lies on two shelves: put above, laid from the lowest, printed with a map each", async ({ browser }) => {
	const page = await personPage(browser);
	await open(page, "/load");
	await page.getByRole("button", { name: "Silo kiln" }).click();
	const shelves = page.getByRole("group", { name: "Shelves, from the lowest" });
	const onShelf = page.getByRole("region", { name: "Shelf" }).locator("path[role=button]");
	await page.getByRole("button", { name: "Put a shelf above" }).click();
	await expect(shelves).toContainText("75 mm free over it, +4 °C against the lowest");
	await expect(onShelf).toHaveCount(0);
	await shelves.getByRole("button", { name: /^lower shelf/ }).click();
	await expect(shelves).toContainText("60 mm free over it");
	const all = await onShelf.count();
	expect(all).toBeGreaterThan(1);
	const up = ((await onShelf.first().getAttribute("aria-label")) ?? "").split(" ")[0] ?? "";
	await onShelf.first().focus();
	await page.getByRole("button", { name: "To the upper shelf" }).click();
	await expect(shelves.getByRole("button", { name: "upper shelf 1" })).toHaveAttribute("aria-pressed", "true");
	await expect(onShelf).toHaveCount(1);
	expect(await violations(page)).toEqual([]);
	await page.getByRole("button", { name: "Undo" }).click();
	await expect(shelves.getByRole("button", { name: `lower shelf ${all}` })).toBeVisible();
	await page.getByRole("button", { name: "Redo" }).click();
	const accept = page.getByRole("button", { name: `Accept this load of ${all}` });
	// Posts stand on the lower shelf only now: pieces in their way are laid again round the one above, which is pinned.
	await shelves.getByRole("button", { name: /^upper shelf/ }).click();
	await onShelf.first().focus();
	await page.keyboard.press("p");
	await page.getByRole("button", { name: "Lay again round 1 pinned" }).click();
	await expect(accept).toBeEnabled();
	await accept.click();
	const planned = page.getByText(/Firing \d+ is planned/);
	await expect(planned).toBeVisible();
	const number = Number((await planned.textContent())?.match(/Firing (\d+)/)?.[1]);
	const { firings } = await (await page.request.get("/api/see/fire")).json();
	const { id } = firings.find((one: { number: number }) => one.number === number);

	await open(page, `/load/lay?firing=${id}`);
	const next = page.getByRole("region", { name: "Next" });
	await expect(next).toContainText("lower shelf, ");
	for (let left = all; left > 1; left--) {
		await expect(next).toContainText(`${all - left + 1} of ${all}`);
		await next
			.getByRole("button", { name: /^[A-Z0-9]{5} lies there$/ })
			.first()
			.click();
	}
	await expect(next).toContainText(up);
	await expect(next).toContainText("upper shelf, ");

	await open(page, `/load/sheet?firing=${id}`);
	await expect(page.getByRole("heading", { name: "lower shelf; 60 mm free over it" })).toBeVisible();
	await expect(page.getByRole("heading", { name: "upper shelf, on posts of 60 mm; 75 mm free over it" })).toBeVisible();
	await expect(page.getByRole("cell", { name: "upper shelf" })).toHaveCount(1);
	expect(await violations(page)).toEqual([]);
});
