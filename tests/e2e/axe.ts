import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";

export const VIEWS = [
	"/",
	"/kits",
	"/cut",
	"/cut/bags",
	"/cut/buy",
	"/cut/stock",
	"/bench",
	"/dry",
	"/load",
	"/load/plan",
	"/fire",
	"/fire/schedule",
	"/fire/kilns",
	"/fire/microwave",
	"/open",
	"/hand-over",
	"/books",
	"/classes",
	"/classes?as=week",
	"/classes?as=list&new=1",
	"/students",
	"/first-steps",
	"/first-steps?step=glass",
	"/first-steps?step=block",
	"/account",
	"/people",
	"/settings",
	"/signs",
];

const THEMES = ["workshop", "kilnroom"];

/** Serious and critical violations of what the page shows now, in both themes: all rules once, those of colour in each. */
export async function violations(page: Page): Promise<string[]> {
	const found: string[] = [];
	const before = await page.locator("html").getAttribute("data-theme");
	for (const [i, theme] of THEMES.entries()) {
		await page.locator("html").evaluate((html, name) => {
			html.dataset.theme = name;
			// Colours that fade from one theme to the other would be measured on their way.
			for (const one of document.getAnimations()) one.finish();
		}, theme);
		// One frame only: nothing has to be gathered in a page of axe's own.
		const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ["violations"] });
		const { violations } = await (i === 0 ? axe : axe.withRules(["color-contrast", "link-in-text-block"])).analyze();
		for (const { id, impact, nodes } of violations)
			if (impact === "serious" || impact === "critical") found.push(`${theme}: ${id}: ${nodes[0]?.html.slice(0, 160)}`);
	}
	await page.locator("html").evaluate((html, name) => {
		if (name) html.dataset.theme = name;
	}, before);
	return found;
}
