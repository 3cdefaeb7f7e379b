import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Page } from "@playwright/test";
import type axe from "axe-core";

const AXE = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

const THEMES = ["workshop", "kilnroom"];
/** Rules whose answer changes with the theme. */
const OF_COLOUR = ["color-contrast", "link-in-text-block"];

/** Serious and critical violations of what the page shows now, in both themes: all rules once, those of colour in each. */
export async function violations(page: Page): Promise<string[]> {
	if (!(await page.evaluate("'axe' in window"))) await page.evaluate(AXE);
	return page.evaluate(
		async ([themes, ofColour]) => {
			const { axe: all, document } = globalThis as unknown as { axe: typeof axe; document: Document };
			const html = document.documentElement;
			const before = html.dataset.theme;
			const found: string[] = [];
			for (const [i, theme] of themes.entries()) {
				html.dataset.theme = theme;
				// Colours that fade from one theme to the other would be measured on their way.
				for (const one of document.getAnimations()) one.finish();
				// Of what it would fetch first, stylesheets and media, no rule that is on makes use here.
				const options = { preload: false, resultTypes: ["violations"], ...(i > 0 && { runOnly: ofColour }) };
				const { violations: its } = await all.run(document, options as axe.RunOptions);
				for (const { id, impact, nodes } of its)
					if (impact === "serious" || impact === "critical")
						found.push(`${theme}: ${id}: ${nodes[0]?.html.slice(0, 160)}`);
			}
			if (before) html.dataset.theme = before;
			return found;
		},
		[THEMES, OF_COLOUR] as const,
	);
}
