import { randomUUID } from "node:crypto";
import { readKitFile } from "@contract/documents/kit-file";
import type { KitDesign } from "@core/kit/kit";
import type { Page } from "@playwright/test";
import { arrived, complaints, expect, open, ownStudio, personPage, ready, test } from "./studio";

ownStudio();

/** Kits built on the bench from nothing with keyboard and pointer, saved, reopened, exported, imported and compared. */

async function newKit(page: Page, name: string): Promise<void> {
	await open(page, `/kits/${randomUUID()}`);
	await page.getByLabel("Kit", { exact: true }).fill(name);
}

/** Lays a part by keyboard alone: A opens the menu, its name is found by Tab order or typed choice. */
async function lay(page: Page, what: string): Promise<void> {
	await page.locator("body").press("Escape");
	// The ground beside the plan, or beside the starters of an empty bench.
	const plan = page.getByTestId("plan");
	if (await plan.isVisible()) await plan.click({ position: { x: 4, y: 4 } });
	else await page.getByText("Nothing lies here yet").click();
	await page.keyboard.press("a");
	await expect(page.getByRole("button", { name: "rectangle", exact: true })).toBeFocused();
	const button = page.getByRole("button", { name: what, exact: true });
	await button.focus();
	await page.keyboard.press("Enter");
	await expect(button).toHaveCount(0);
}

async function size(page: Page, fields: Record<string, string>): Promise<void> {
	for (const [label, value] of Object.entries(fields)) {
		const field = page.getByRole("region", { name: "Chosen parts" }).getByLabel(label, { exact: true });
		if ((await field.evaluate((element) => element.tagName)) === "SELECT") await field.selectOption(value);
		else await field.fill(value);
		await field.blur();
	}
}

async function save(page: Page): Promise<void> {
	await page.keyboard.press("Control+s");
	await expect(page.getByRole("button", { name: "Saved" })).toBeVisible();
}

/** The kit as its own file says it is, from the server. */
async function exported(page: Page): Promise<{ text: string; design: KitDesign }> {
	const id = new URL(page.url()).pathname.split("/").at(-1);
	const response = await page.request.get(`/api/kits/${id}/kit.json`);
	const text = await response.text();
	const read = readKitFile(text);
	if (!read.ok) throw new Error(JSON.stringify(read.problems));
	return { text, design: read.value.design };
}

/** Brings the file in again as another kit, and lays that on the bench. */
async function imported(page: Page, text: string): Promise<KitDesign> {
	await open(page, "/kits");
	await page
		.getByLabel("Bring in a kit file")
		.setInputFiles({ name: "kit.json", mimeType: "application/json", buffer: Buffer.from(text) });
	await page.getByRole("link", { name: "Lay it on the bench" }).click();
	await arrived(page, "**/kits/*");
	await ready(page);
	return (await exported(page)).design;
}

test("a sandwich tile: keyboard alone, typed sizes, repeats, nudges, undo without end", async ({ browser }) => {
	const page = await personPage(browser);
	const heard = complaints(page);
	await newKit(page, "Rain over the plain");
	await lay(page, "square");
	await size(page, { Name: "Base", Side: "4 in" });
	await lay(page, "square");
	await size(page, { Name: "Cap", Side: "101.6" });
	await expect(page.getByTestId("stack-code")).toHaveText("90 | 3·3 | full");

	await test.step("stringers in a row of eight, 10 mm apart, on top", async () => {
		await lay(page, "stringer");
		await size(page, { Name: "Rain", Turned: "75", Across: "-38" });
		await page.getByRole("tab", { name: "Repeat" }).click();
		await size(page, { "How many": "8", "Gap between": "-3.9" });
		await page.getByRole("button", { name: "Lay 8 of them" }).click();
		await expect(page.getByRole("button", { name: /^Rain/ })).toContainText("×8");
	});

	await test.step("powder, foil between the layers, and what the reading says of them", async () => {
		await lay(page, "powder area");
		await size(page, { Name: "Haze", Width: "90", Height: "20", Strewn: "0.08", Up: "30" });
		await lay(page, "foil");
		await size(page, { Name: "Sun", Side: "12", Metal: "copper" });
		await expect(page.getByRole("region", { name: "What it tells" })).not.toContainText("lies on the shelf itself");
		// two sheets of 101.6 mm, eight threads π/4 × 50 mm × 1 mm², 18 cm² of powder at 0.08 g
		const grams = (2 * 101.6 ** 2 * 3 + 8 * 50 * (Math.PI / 4)) * 2.5e-3 + 18 * 0.08;
		await expect(page.getByText(`${Math.round(grams)} g`, { exact: true })).toBeVisible();
	});

	await test.step("arrow keys nudge by 1 and 10 mm; every step is undone and done again", async () => {
		const before = await page.getByRole("button", { name: /^Undo/ }).getAttribute("aria-label");
		await page.getByRole("button", { name: /^Sun/ }).click();
		await page.getByRole("button", { name: /^Sun/ }).click();
		await page.keyboard.press("Shift+ArrowRight");
		await page.keyboard.press("ArrowUp");
		await expect(page.getByLabel("Across", { exact: true })).toHaveValue("10");
		await expect(page.getByLabel("Up", { exact: true })).toHaveValue("1");
		await page
			.getByTestId("plan")
			.focus()
			.catch(() => {});
		const steps = Number(before?.match(/\d+/)?.[0] ?? 0) + 2;
		for (let i = 0; i < steps; i++) await page.keyboard.press("Control+z");
		await expect(page.getByText("Nothing lies here yet")).toBeVisible();
		for (let i = 0; i < steps; i++) await page.keyboard.press("Control+Shift+z");
		await expect(page.getByRole("button", { name: /^Rain/ })).toContainText("×8");
	});

	await test.step("the section is drawn along a line that is dragged off the glass", async () => {
		const laid = page.getByRole("img", { name: /^Section as laid up/ });
		await expect(laid).toHaveAccessibleName(/6(\.\d)? mm/);
		const handle = page.getByTestId("plan").locator("[data-section=line]");
		const box = await handle.boundingBox();
		if (!box) throw new Error("no section line");
		const at = { x: box.x + box.width * 0.9, y: box.y + box.height / 2 };
		await page.mouse.move(at.x, at.y);
		await page.mouse.down();
		await page.mouse.move(at.x, at.y + 60, { steps: 4 });
		await page.mouse.move(at.x, at.y + 168, { steps: 4 });
		await page.mouse.up();
		await expect(laid).toHaveAccessibleName(/no glass here/);
	});

	await save(page);
	await page.reload();
	await ready(page);
	await expect(page.getByRole("button", { name: /^Haze/ })).toBeVisible();
	const { text, design } = await exported(page);
	expect(design.parts).toHaveLength(12);
	expect(await imported(page, text)).toEqual(design);
	expect(heard).toEqual([]);
});

test("overlapping rings of shingles: array with half a step, a joint that only touches, a press that mends", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const heard = complaints(page);
	const tells = page.getByRole("region", { name: "What it tells" });
	await newKit(page, "Ring of roof slates");
	await lay(page, "rectangle");
	await size(page, { Name: "Lower slate", Width: "22", Height: "34" });
	await page.getByRole("tab", { name: "Repeat" }).click();
	await size(page, { Repeat: "ring", "How many": "12", Overlap: "0" });
	await page.getByRole("button", { name: "Lay 12 of them" }).click();
	await expect(tells).toContainText("touching is not joining");

	await page.getByRole("button", { name: /^Lower slate/ }).click();
	await page.getByRole("button", { name: /^Lower slate/ }).click();
	await page.keyboard.press("Control+c");
	await lay(page, "rectangle");
	await size(page, { Name: "Upper slate", Width: "22", Height: "34" });
	await page.getByRole("tab", { name: "Repeat" }).click();
	await size(page, { Repeat: "ring", "How many": "12", Overlap: "0" });
	await page.getByLabel("half a step on").check();
	await page.getByRole("button", { name: "Lay 12 of them" }).click();
	await expect(tells).not.toContainText("touching is not joining");
	await expect(page.getByTestId("stack-code")).toHaveText("90 | 3·3 | full");

	await test.step("the route: tack, then slumped; what is wrong with that is said with its figure", async () => {
		await page.getByRole("tab", { name: "Route" }).click();
		await page.getByLabel("Fuse level").selectOption("tack");
		await page.getByRole("button", { name: "Add a firing" }).click();
		await page.getByRole("tab", { name: "Tells" }).click();
		// Tack, then slump is usual practice: told, and nothing to mend.
		await expect(tells).toContainText("Firing 2 slumps a piece that is 2 times as thick at its thickest");
		await expect(tells.getByRole("button", { name: "Fire to full" })).toHaveCount(0);
	});

	await test.step("parts copied here can be laid in another kit", async () => {
		await save(page);
		const { text, design } = await exported(page);
		expect(new Set(design.parts.map(({ turnDeg }) => Math.round(turnDeg))).size).toBe(24);
		expect(await imported(page, text)).toEqual(design);
		await newKit(page, "Slates again");
		await page.getByLabel("Kit", { exact: true }).blur();
		await page.keyboard.press("Control+v");
		await expect(page.getByRole("button", { name: /^Lower slate/ })).toContainText("×12");
	});
	expect(heard).toEqual([]);
});

test("one sheet cut and spread: scores drawn with the pointer, parts dragged and snapped, a base made to fit", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const heard = complaints(page);
	await newKit(page, "Furrows");
	await lay(page, "rectangle");
	await size(page, { Name: "Base", Width: "80", Height: "60" });
	await lay(page, "rectangle");
	await size(page, { Name: "Field", Width: "80", Height: "60", Glass: "stubble" });

	const plan = page.getByTestId("plan");
	const at = async (x: number, y: number) => {
		const point = await plan.evaluate(
			(svg, mm) => {
				const spot = new DOMPoint(mm.x, -mm.y).matrixTransform((svg as SVGSVGElement).getScreenCTM() ?? undefined);
				return { x: spot.x, y: spot.y };
			},
			{ x, y },
		);
		await page.mouse.move(point.x, point.y, { steps: 4 });
	};
	await test.step("two upright scores and one across, drawn", async () => {
		await page.getByRole("tab", { name: "Cut and spread" }).click();
		await page.getByRole("button", { name: "Draw scores" }).click();
		for (const [from, to] of [
			[
				[-15, -34],
				[-15, 34],
			],
			[
				[15, -34],
				[15, 34],
			],
			[
				[-45, 5],
				[45, 5],
			],
		] as const) {
			await at(from[0], from[1]);
			await page.mouse.down();
			await at(to[0], to[1]);
			await page.mouse.up();
		}
		await expect(page.getByRole("button", { name: "3 drawn" })).toBeVisible();
		await page.getByLabel("Spread apart by").fill("4");
		await page.getByRole("button", { name: "Cut it and spread the pieces" }).click();
		for (let i = 1; i <= 6; i++)
			await expect(page.getByRole("button", { name: new RegExp(`^Field ${i} on`) })).toBeVisible();
	});

	await test.step("the base is 8 mm wider and 4 mm higher, and no glass is lost", async () => {
		await save(page);
		const { design } = await exported(page);
		const base = design.parts.find(({ name }) => name === "Base");
		expect(base?.kind === "sheet" && base.shape).toMatchObject({ kind: "rectangle", widthMm: 88, heightMm: 64 });
	});

	await test.step("a dot is dragged and snaps to the middle", async () => {
		await lay(page, "dot");
		await page.getByLabel("Across", { exact: true }).fill("30");
		await page.getByLabel("Up", { exact: true }).fill("24");
		await page.getByLabel("Up", { exact: true }).blur();
		await at(30, 24);
		await page.mouse.down();
		await at(12, 10);
		await at(0.6, 0.5);
		await page.mouse.up();
		await expect(page.getByLabel("Across", { exact: true })).toHaveValue("0");
		await expect(page.getByLabel("Up", { exact: true })).toHaveValue("0");
		await page.keyboard.press("Control+z");
		await expect(page.getByLabel("Across", { exact: true })).toHaveValue("30");
	});

	await test.step("an outline comes in from a drawing, a hostile one does not", async () => {
		await page.getByRole("tab", { name: "Files" }).click();
		const input = page.getByLabel("Outlines from a drawing (SVG, DXF)");
		const drawing = (inside: string) => ({
			name: "tree.svg",
			mimeType: "image/svg+xml",
			buffer: Buffer.from(
				`<svg xmlns="http://www.w3.org/2000/svg" width="50mm" height="50mm" viewBox="0 0 50 50">${inside}</svg>`,
			),
		});
		await input.setInputFiles(drawing('<path d="M0 0L99999 0L0 99999Z"/>'));
		await expect(page.getByRole("alert")).toContainText("Check the drawing’s unit");
		await input.setInputFiles(drawing('<script>window.hacked=1</script><path d="M5 45L25 5L45 45Z"/>'));
		await expect(page.getByText("40 mm × 40 mm")).toBeVisible();
		await page.getByRole("button", { name: "Lay 1 outline on the bench" }).click();
		await expect(page.getByRole("button", { name: "Outline on layer 3" })).toBeVisible();
		expect(await page.evaluate(() => (globalThis as { hacked?: number }).hacked)).toBeUndefined();
	});

	await save(page);
	const { text, design } = await exported(page);
	expect(await imported(page, text)).toEqual(design);
	for (const [file, type] of [
		["kit.svg", "image/svg+xml"],
		["kit.dxf", "image/vnd.dxf"],
		["kit.pdf?paper=letter", "application/pdf"],
	] as const) {
		const response = await page.request.get(`/api/kits/${new URL(page.url()).pathname.split("/").at(-1)}/${file}`);
		expect(response.headers()["content-type"]).toBe(type);
	}
	expect(heard).toEqual([]);
});

test("components first: dots fired loose, then laid on a base in a second firing, in other colours too", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const heard = complaints(page);
	await newKit(page, "Seed dots");
	await lay(page, "square");
	await size(page, { Name: "Base", Side: "60" });
	await lay(page, "square");
	await size(page, { Name: "Seed", Side: "10", Glass: "stubble" });
	await page.getByRole("button", { name: "Fire it first, then use as a component" }).click();
	await expect(page.getByText("firing 1, used 1 ×")).toBeVisible();
	await page.getByRole("tab", { name: "Repeat" }).click();
	await size(page, { Repeat: "grid", Columns: "3", Rows: "3", "Gap between": "6" });
	await page.getByRole("button", { name: "Lay 9 of them" }).click();
	await expect(page.getByText("firing 1, used 9 ×")).toBeVisible();

	await test.step("the component lies open; what is changed there changes every use", async () => {
		await page.getByRole("button", { name: "Open", exact: true }).click();
		await page.getByRole("button", { name: /^Seed on/ }).click();
		await size(page, { Side: "12" });
		await page.getByRole("button", { name: "Back to the kit" }).click();
		// nine dots of 12 × 12 × 3 mm on 60 × 60 × 3 mm
		await expect(page.getByText(`${Math.round((3600 + 9 * 144) * 3 * 2.5e-3)} g`, { exact: true })).toBeVisible();
	});

	await test.step("other colours", async () => {
		await page.getByRole("tab", { name: "Colours" }).click();
		await page.getByRole("button", { name: "Add other colours" }).click();
		await page.getByLabel("instead of stubble").selectOption({ label: "dusk · 90 · 3 mm" });
		await page.getByRole("tab", { name: "Try" }).click();
		await expect(page.getByRole("columnheader", { name: /full/ })).toBeVisible();
	});
	await save(page);
	const { design } = await exported(page);
	expect(design.route).toHaveLength(2);
	expect(design.components[0]?.parts).toHaveLength(1);
	expect(design.palettes[0]?.glass).toEqual({ stubble: "dusk" });
	expect(heard).toEqual([]);
});

test("books: a glass, a mould and a sample are kept, and a kit is begun from the sample", async ({ browser }) => {
	const page = await personPage(browser);
	const heard = complaints(page);
	// Each book is a page of its own: what is pressed before it listens is lost.
	const openBook = async (tab: string, name: RegExp) => {
		await page.getByRole("tab", { name }).click();
		await arrived(page, `**/books?tab=${tab}`);
		await ready(page);
	};
	await open(page, "/books");
	await page.getByRole("button", { name: "Add a glass" }).click();
	await page.getByLabel("Name").fill("hay dust");
	await page.getByLabel("Thickness").fill("1/8 in");
	await page.getByLabel("copper").check();
	await page.getByLabel(/^Price/).fill("120.50");
	await page.getByRole("button", { name: "Save this glass" }).click();
	await expect(page.getByRole("button", { name: /hay dust/ })).toContainText("3.2 mm, copper");
	await expect(page.getByRole("button", { name: /hay dust/ })).toContainText("$120.50 a m²");

	await openBook("families", /Families/);
	await page.getByRole("row", { name: /^96/ }).getByRole("button", { name: "Open" }).click();
	await page.getByLabel("Softening point").fill("520");
	await page.getByRole("button", { name: "Save this family" }).click();
	await expect(page.getByText("at least 50 °C above the annealing point")).toBeVisible();
	await page.getByLabel("Softening point").fill("661");
	await page.getByRole("button", { name: "Save this family" }).click();
	await expect(page.getByRole("row", { name: /^96/ })).toContainText("661 °C");

	await openBook("moulds", /Moulds/);
	await page.getByRole("button", { name: /Sackcloth/ }).click();
	await page.getByRole("button", { name: "Washed anew" }).click();
	await page.getByRole("button", { name: "Save this mould" }).click();
	await expect(page.getByRole("button", { name: /Sackcloth/ })).toContainText("washed, 0 firings since");

	await openBook("samples", /Samples/);
	await page.getByRole("button", { name: "Keep a sample" }).click();
	await page.getByLabel("Stack, taken from a kit").selectOption({ label: "Pump-wheel tile" });
	await page.getByLabel("What came of it").fill("Blades came out brick red.");
	await page.getByRole("button", { name: "Save this sample" }).click();
	await expect(page.getByText("Blades came out brick red.").first()).toBeVisible();
	await page.locator("li", { hasText: "Pump rust on clear" }).getByRole("button", { name: "Kit from this" }).click();
	await arrived(page, "**/kits/*");
	await ready(page);
	await expect(page.getByLabel("Kit", { exact: true })).toHaveValue("After “Pump rust on clear”");
	await expect(page.getByRole("link", { name: "Pump rust on clear" })).toBeVisible();
	expect(heard.filter((line) => !line.includes("400"))).toEqual([]);
});

test("openwork: bars mirrored, a joint bridged by one press, in inches; an outline from a cutter's file", async ({
	browser,
}) => {
	const page = await personPage(browser);
	const heard = complaints(page);
	const tells = page.getByRole("region", { name: "What it tells" });
	await newKit(page, "Gate latch");
	await page.getByRole("button", { name: /^Units/ }).click();
	await lay(page, "strip");
	await size(page, { Name: "Bar", Length: "2", Width: "3/8", Across: "-1" });
	await page.getByRole("tab", { name: "Repeat" }).click();
	await size(page, { Repeat: "mirror", "Line across at": "-1" });
	await page.getByRole("button", { name: "Lay 2 of them" }).click();
	await page.getByRole("button", { name: /^Bar/ }).click();
	await page.getByRole("button", { name: /^Bar/ }).click();
	await page.keyboard.press("Shift+ArrowRight");
	await expect(page.getByRole("button", { name: /^Bar/ })).toContainText("×2");

	await test.step("mirrored about its own middle, both bars lie in one place: said, and put a layer up", async () => {
		await expect(tells).toContainText("two cuts cannot lie in one place");
		await tells.getByRole("button", { name: /^Put Bar on layer 2/ }).click();
		await expect(tells).not.toContainText("two cuts cannot lie in one place");
		await page.keyboard.press("Control+z");
		await expect(tells).toContainText("two cuts cannot lie in one place");
	});

	await test.step("laid end to end they only touch; the bridge offered holds them", async () => {
		await page.keyboard.press("Escape");
		await page.keyboard.press("Control+a");
		await page.keyboard.press("Delete");
		await lay(page, "strip");
		await size(page, { Name: "Rail", Length: "2", Width: "3/8", Across: "-1" });
		await page.keyboard.press("Escape");
		await page.getByRole("button", { name: /^Rail/ }).click();
		await page.getByRole("tab", { name: "Repeat" }).click();
		await size(page, { "How many": "2" });
		await page.getByRole("button", { name: "Lay 2 of them" }).click();
		await expect(tells).toContainText("touching is not joining");
		await tells.getByRole("button", { name: /^Lay a bridge of/ }).click();
		await expect(tells).not.toContainText("touching is not joining");
		await expect(page.getByRole("button", { name: /^Bridge on layer 2/ })).toBeVisible();
	});

	await test.step("a closed polyline of a DXF in inches comes in at its size", async () => {
		await page.getByRole("tab", { name: "Files" }).click();
		const dxf = [
			"0",
			"SECTION",
			"2",
			"HEADER",
			"9",
			"$INSUNITS",
			"70",
			"1",
			"0",
			"ENDSEC",
			"0",
			"SECTION",
			"2",
			"ENTITIES",
		]
			.concat([
				"0",
				"LWPOLYLINE",
				"8",
				"0",
				"90",
				"3",
				"70",
				"1",
				"10",
				"0",
				"20",
				"0",
				"10",
				"3",
				"20",
				"0",
				"10",
				"0",
				"20",
				"1",
			])
			.concat(["0", "ENDSEC", "0", "EOF"])
			.join("\n");
		await page
			.getByLabel("Outlines from a drawing (SVG, DXF)")
			.setInputFiles({ name: "latch.dxf", mimeType: "image/vnd.dxf", buffer: Buffer.from(dxf) });
		await expect(page.getByText("3 in × 1 in")).toBeVisible();
		await page.getByRole("button", { name: "Lay 1 outline on the bench" }).click();
	});
	await save(page);
	const { design } = await exported(page);
	const outline = design.parts.find(({ name }) => name === "Outline");
	expect(outline?.kind === "sheet" && outline.shape.kind === "outline" && outline.shape.points).toHaveLength(3);
	await page.getByRole("button", { name: /^Units/ }).click();
	expect(heard).toEqual([]);
});

test("what was issued can be brought back: a version frozen by a class, the draft changed since", async ({
	browser,
}) => {
	const page = await personPage(browser);
	await open(page, "/kits");
	await page.getByRole("link", { name: /Nine-patch/ }).click();
	await arrived(page, "**/kits/*");
	await ready(page);
	await page.getByRole("button", { name: /^Patch/ }).click();
	await page.keyboard.press("Delete");
	await page.getByLabel("Kit", { exact: true }).fill("Four-patch coaster");
	await save(page);
	await page.getByRole("tab", { name: "Files" }).click();
	await page.getByRole("button", { name: "Bring back" }).first().click();
	await expect(page.getByLabel("Kit", { exact: true })).toHaveValue("Nine-patch coaster");
	await expect(page.getByRole("button", { name: /^Patch/ })).toContainText("×5");
	await save(page);
});
