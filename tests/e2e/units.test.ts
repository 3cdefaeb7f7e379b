import type { Page } from "@playwright/test";
import { PREFS_COOKIE } from "../../web/lib/prefs";
import { pdfText } from "../support/pdf-text";
import { ownPages } from "./own-pages";
import { VIEWS } from "./stations";
import { expect, open, ownStudio, personPage, setup, test } from "./studio";

ownStudio();

/** Millimetres, °C, or areas of them, beside a figure or in words of their own. */
const METRIC = /(?<![A-Za-z])(?:mm|cm|mm²|cm²|°C)(?![A-Za-z²])|cm²|mm²|°C/;
const IMPERIAL = /°F|in²|″|\d\/\d+ in(?![A-Za-z])/;
/** What somebody wrote themselves, and fields that ask in what unit a file is. */
const OWN_WORDS = "[data-own-words], [data-unit-choice]";

/** All that a page shows or reads aloud, without what the studio's people wrote. */
const wordsOf = (page: Page): Promise<string[]> =>
	page.evaluate((ownWords) => {
		const said: string[] = [];
		const walk = (node: Element) => {
			if (node.matches(`script, style, astro-island > template, ${ownWords}`)) return;
			for (const name of ["aria-label", "title", "placeholder", "alt"]) said.push(node.getAttribute(name) ?? "");
			for (const child of node.childNodes) {
				if (child.nodeType === Node.TEXT_NODE) said.push(child.textContent ?? "");
				else if (child.nodeType === Node.ELEMENT_NODE) walk(child as Element);
			}
			// "3" and " mm" may be two texts: their element says them together.
			if (!node.querySelector(`${ownWords}, script, style`)) said.push((node.textContent ?? "").slice(0, 300));
		};
		walk(document.body);
		return said.map((text) => text.trim()).filter(Boolean);
	}, OWN_WORDS);

/** Every tab of a page, one after the other. */
async function wordsOfAll(page: Page): Promise<string[]> {
	const said = await wordsOf(page);
	const tabs = page.getByRole("tab");
	for (let i = 0; i < (await tabs.count()); i++) {
		await tabs.nth(i).click();
		said.push(...(await wordsOf(page)));
	}
	return said;
}

/** Pages made to be printed. */
async function printed(page: Page): Promise<string[]> {
	const see = async (view: string) => (await page.request.get(`/api/see/${view}`)).json();
	const { firings } = await see("fire");
	const { session } = await see("cut");
	const { trays } = await see("load");
	const firing = firings.find(({ state }: { state: string }) => state === "planned") ?? firings[0];
	return [
		`/load/sheet?firing=${firing.id}`,
		`/load/lay?firing=${firing.id}`,
		`/fire/schedule?firing=${firing.id}`,
		`/fire?firing=${firing.id}`,
		`/cut/bag-labels?session=${session.id}`,
		`/labels?codes=${trays[0].pieces[0].code}`,
	];
}

const PAPERS = async (page: Page, kit: string): Promise<string[]> => {
	const { session } = await (await page.request.get("/api/see/cut")).json();
	return [`/api${kit}/kit.pdf`, `/api/shopping.pdf?session=${session.id}`];
};

for (const [units, foreign] of [
	["in.F.workshop", METRIC],
	["mm.C.workshop", IMPERIAL],
] as const)
	test(`in ${units.slice(0, 4)} no view and no paper says a figure in the other units`, async ({ browser }) => {
		const page = await personPage(browser);
		await page.context().addCookies([{ name: PREFS_COOKIE, value: units, url: setup().address }]);
		const own = await ownPages(page);
		for (const path of [...VIEWS, ...Object.values(own), ...(await printed(page))])
			await test.step(path, async () => {
				await open(page, path);
				const found = (await wordsOfAll(page)).filter((text) => foreign.test(text));
				expect.soft([...new Set(found)].slice(0, 8), path).toEqual([]);
			});
		for (const path of await PAPERS(page, own.kit))
			await test.step(path, async () => {
				const text = await pdfText(await (await page.request.get(path)).body());
				expect.soft(text.length, path).toBeGreaterThan(50);
				expect.soft(text.match(foreign)?.[0], `${path}: ${text.slice(0, 400)}`).toBeUndefined();
			});
	});
