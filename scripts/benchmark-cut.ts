import { leastSheetsOf } from "@core/cutting/plan/bound";
import { cutSoFar, stillToCut } from "@core/cutting/plan/cut-so-far";
import { keptPlanOf, restId } from "@core/cutting/plan/keep-plan";
import { bestPlans, searchPlans } from "@core/cutting/plan/search";
import { type Blank, USUAL_CUT_RULES } from "@core/cutting/plan/types";
import { packer } from "guillotine-packer";
import { MaxRectsPacker, PACKING_LOGIC } from "maxrects-packer/dist/maxrects-packer.mjs";
import { exactSheets } from "../tests/support/exact-sheets";
import { needsMoreThanOne } from "../tests/support/one-sheet";

/** How good cutting plans are, and how long they take: invented classes, always the same. */

const CLASSES = 12;
const GLASSES = 5;
const SHEET = { widthMm: 500, heightMm: 430 };
const WIDTHS = [100, 96, 80, 60, 50, 40, 32, 25, 20];
const HEIGHTS = [100, 64, 50, 40, 32, 25, 20, 19, 10];
const rules = USUAL_CUT_RULES;

/** Numbers from 0 to 1, the same for a seed: the linear generator of Numerical Recipes. */
function rowOf(seed: number): () => number {
	let state = seed;
	return () => {
		state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
		return state / 2 ** 32;
	};
}

function classesOf(seed: number): Blank[][] {
	const next = rowOf(seed);
	const one = (from: readonly number[]) => from[Math.floor(next() * from.length)] ?? 50;
	return Array.from({ length: CLASSES * GLASSES }, () =>
		Array.from({ length: 3 + Math.floor(next() * 4) }, (_, i) => ({
			...{ key: `${i}`, widthMm: one(WIDTHS), heightMm: one(HEIGHTS), count: 8 + Math.floor(next() * 30) },
			...{ yields: 1, mayTurn: next() < 0.8, finish: "none" as const },
		})),
	);
}

const lists = classesOf(2031);
const taskOf = (blanks: Blank[]) => ({ blanks, offcuts: [], sheet: SHEET, rules });
const fewest = (blanks: Blank[], passes: number) =>
	[...(passes === 0 ? bestPlans(taskOf(blanks)) : searchPlans(taskOf(blanks), passes))].at(-1)?.best.fewestSheets;

/** Sheets, yield, scores and time after so many passes, 0 for as many as the product makes, beside the bound. */
export function cutRows(of = [1, 20, 80, 200, 0]): string[] {
	const least = lists.reduce((sum, blanks) => sum + leastSheetsOf(taskOf(blanks)), 0);
	return of.map((passes) => {
		let [sheets, used, cut, scores] = [0, 0, 0, 0];
		const from = performance.now();
		for (const blanks of lists) {
			const figures = fewest(blanks, passes)?.figures;
			if (!figures) continue;
			sheets += figures.sheets;
			used += figures.takenMm2 - figures.keptMm2;
			cut += figures.cutMm2;
			scores += figures.scores;
		}
		const ms = (performance.now() - from) / CLASSES;
		return `| ${passes === 0 ? "as it searches" : passes} | ${sheets} | ${least} | ${((100 * cut) / used).toFixed(1)} | ${Math.round(scores / CLASSES)} | ${Math.round(ms)} |`;
	});
}

/** Of the lists above their bound as the product searches: how many cannot be cut from fewer sheets, by a solver over every strip. */
export async function provedRow(): Promise<string> {
	let [above, proved] = [0, 0];
	for (const blanks of lists) {
		const sheets = fewest(blanks, 0)?.figures.sheets ?? 0;
		if (sheets <= leastSheetsOf(taskOf(blanks), sheets)) continue;
		above++;
		if (sheets === 2 && (await needsMoreThanOne(blanks, SHEET, rules.leastTrimMm))) proved++;
	}
	return `Lists above the bound as it searches: ${above}; of which a solver (HiGHS, every strip written down) proves that no plan takes fewer sheets: ${proved}.`;
}

/** Classes as large as they come: fourteen kits of sixty parts each, spares with them, of five glasses; one task a glass. */
function largeClassesOf(seed: number): Blank[][][] {
	const next = rowOf(seed);
	const one = (from: readonly number[]) => from[Math.floor(next() * from.length)] ?? 50;
	const [kits, parts, spares] = [14, 60, 1.1];
	return Array.from({ length: CLASSES }, () => {
		const lists: Blank[][] = Array.from({ length: GLASSES }, () => []);
		for (let left = parts, i = 0; left > 0; i++) {
			const perKit = Math.min(left, 1 + Math.floor(next() * 6));
			left -= perKit;
			lists[Math.floor(next() * GLASSES)]?.push({
				...{ key: `${i}`, widthMm: one(WIDTHS), heightMm: one(HEIGHTS), count: Math.ceil(perKit * kits * spares) },
				...{ yields: 1, mayTurn: next() < 0.8, finish: "none" as const },
			});
		}
		return lists.filter((list) => list.length > 0);
	});
}

/** Sheets of large classes as the product searches, beside the bound and with the time of the slowest class. */
export function largeRow(): string {
	const sum = { sheets: 0, least: 0, used: 0, cut: 0, ms: 0, slowest: 0, parts: 0 };
	for (const glasses of largeClassesOf(1417)) {
		const from = performance.now();
		const plans = glasses.map((blanks) => fewest(blanks, 0)?.figures);
		const ms = performance.now() - from;
		sum.ms += ms;
		sum.slowest = Math.max(sum.slowest, ms);
		for (const [i, blanks] of glasses.entries()) {
			const { sheets = 0, takenMm2 = 0, keptMm2 = 0, cutMm2 = 0 } = plans[i] ?? {};
			sum.sheets += sheets;
			sum.used += takenMm2 - keptMm2;
			sum.cut += cutMm2;
			sum.least += leastSheetsOf(taskOf(blanks));
			sum.parts += blanks.reduce((n, { count }) => n + count, 0);
		}
	}
	const yields = ((100 * sum.cut) / sum.used).toFixed(1);
	return `| ${Math.round(sum.parts / CLASSES)} | ${sum.sheets} | ${sum.least} | ${yields} | ${Math.round(sum.ms / CLASSES)} | ${Math.round(sum.slowest)} |`;
}

/** The same parts, by two packing packages of the registry. */
export function packerRows(): string[] {
	const free = lists.reduce((sum, blanks) => {
		const bins = new MaxRectsPacker(SHEET.widthMm, SHEET.heightMm, 0, {
			...{ smart: false, pot: false, square: false, allowRotation: true, logic: PACKING_LOGIC.MAX_AREA },
		});
		for (const { width, height } of piecesOf(blanks)) bins.add(width, height, {});
		return sum + bins.bins.length;
	}, 0);
	const straight = lists.reduce((sum, blanks) => {
		const items = piecesOf(blanks).map((one, i) => ({ ...one, name: String(i) }));
		const bins = packer(
			{ binWidth: SHEET.widthMm, binHeight: SHEET.heightMm, items },
			{ kerfSize: 0, allowRotation: true },
		);
		return sum + (bins?.length ?? 0);
	}, 0);
	const ours = lists.reduce((sum, blanks) => sum + (fewest(blanks, 0)?.figures.sheets ?? 0), 0);
	return [
		`| ours: strips, columns, stacks; streaks and slivers respected | ${ours} |`,
		`| maxrects-packer: free, all may be turned, cannot be scored | ${free} |`,
		`| guillotine-packer: edge to edge, all may be turned | ${straight} |`,
	];
}

const piecesOf = (blanks: readonly Blank[]) =>
	blanks
		.flatMap(({ widthMm, heightMm, count }) =>
			Array.from({ length: count }, () => ({ width: widthMm, height: heightMm })),
		)
		.sort((a, b) => b.width * b.height - a.width * a.height);

/** Small lists whose optimum a solver can prove: ours, the bound, the relaxation, the optimum, added up. */
export async function exactRow(cases = 60): Promise<string> {
	const sheet = { widthMm: 130, heightMm: 105 };
	const sum = { ours: 0, least: 0, relaxed: 0, exact: 0, more: 0 };
	for (let seed = 1; seed <= cases; seed++) {
		const next = rowOf(seed);
		const side = () => 30 + 5 * Math.floor(next() * 9);
		const blanks = Array.from({ length: 3 }, (_, i) => ({
			...{ key: `${i}`, widthMm: side(), heightMm: side(), count: 2 + Math.floor(next() * 9) },
			...{ yields: 1, mayTurn: next() < 0.5, finish: "none" as const },
		}));
		const task = { blanks, offcuts: [], sheet, rules: { ...rules, leastTrimMm: 0 } };
		const ours = [...searchPlans(task, 200)].at(-1)?.best.fewestSheets.figures.sheets ?? 0;
		const { exact, relaxed } = await exactSheets(blanks, sheet);
		sum.ours += ours;
		sum.exact += exact;
		sum.relaxed += Math.ceil(relaxed - 1e-6);
		sum.least += leastSheetsOf(task);
		if (ours > exact) sum.more++;
	}
	return `| ${cases} | ${sum.least} | ${sum.relaxed} | ${sum.exact} | ${sum.ours} | ${sum.more} |`;
}

/** The rest of a plan laid anew after something broke, ms: the median and the slowest of the glasses. */
export function mendRow(): string {
	const times = lists.map((blanks) => {
		const plan = keptPlanOf(fewest(blanks, 20)?.plan ?? { sheets: [], short: [] }, blanks, blanks, rules, undefined);
		const wanted = blanks.map((one, i) => ({ ...one, count: one.count + (i === 0 ? 1 : 0) }));
		const from = performance.now();
		const so = cutSoFar(plan, (key) => (key === "0" ? 5 : 0));
		const offcuts = so.rests.map((rest) => ({ ...rest, id: restId(rest.id), inHand: true }));
		const task = { blanks: stillToCut(wanted, plan, so), offcuts, sheet: SHEET, rules };
		[...searchPlans(task, 12)].at(-1);
		return performance.now() - from;
	});
	times.sort((a, b) => a - b);
	return `The median is ${(times[times.length >> 1] ?? 0).toFixed(0)} ms, the slowest ${(times.at(-1) ?? 0).toFixed(0)} ms.`;
}
