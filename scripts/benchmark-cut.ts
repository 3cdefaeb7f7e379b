import { leastSheets } from "@core/cutting/plan/figures";
import { searchPlans } from "@core/cutting/plan/search";
import { type Blank, USUAL_CUT_RULES } from "@core/cutting/plan/types";

/** How good cutting plans are, and how long they take: twelve invented classes of five glasses each, always the same. */

const CLASSES = 12;
const GLASSES = 5;
export const SHEET = { widthMm: 500, heightMm: 430 };
const WIDTHS = [100, 96, 80, 60, 50, 40, 32, 25, 20];
const HEIGHTS = [100, 64, 50, 40, 32, 25, 20, 19, 10];

export function classesOf(seed: number): Blank[][] {
	let state = seed;
	const next = () => {
		state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0; // Numerical Recipes
		return state / 2 ** 32;
	};
	const one = (from: readonly number[]) => from[Math.floor(next() * from.length)] ?? 50;
	return Array.from({ length: CLASSES * GLASSES }, () =>
		Array.from({ length: 3 + Math.floor(next() * 4) }, (_, i) => ({
			key: `${i}`,
			widthMm: one(WIDTHS),
			heightMm: one(HEIGHTS),
			count: 8 + Math.floor(next() * 30),
			yields: 1,
			mayTurn: next() < 0.8,
			finish: "none" as const,
		})),
	);
}

export function cutRows(of = [1, 20, 80, 300]): string[] {
	const lists = classesOf(2031);
	const least = lists.reduce((sum, blanks) => sum + leastSheets(blanks, SHEET), 0);
	return of.map((passes) => {
		let [sheets, used, cut, scores] = [0, 0, 0, 0];
		const from = performance.now();
		for (const blanks of lists) {
			const task = { blanks, offcuts: [], sheet: SHEET, rules: USUAL_CUT_RULES };
			const figures = [...searchPlans(task, passes)].at(-1)?.best.fewestSheets.figures;
			if (!figures) continue;
			sheets += figures.sheets;
			used += figures.takenMm2 - figures.keptMm2;
			cut += figures.cutMm2;
			scores += figures.scores;
		}
		const ms = (performance.now() - from) / CLASSES;
		return `| ${passes} | ${sheets} | ${least} | ${((100 * cut) / used).toFixed(1)} | ${Math.round(scores / CLASSES)} | ${Math.round(ms)} |`;
	});
}
