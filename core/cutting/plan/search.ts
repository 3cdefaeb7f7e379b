import { seededRandom } from "../../seeded-random";
import { leastSheetsOf } from "./bound";
import { figuresOf } from "./figures";
import { type Grid, gridOf } from "./grid";
import type { Noise } from "./lay-strips";
import { type Laying, layAgain, layAll, layMix, mixOf, planOf } from "./laying";
import type { SheetMix } from "./sheet-mix";
import { type Blank, type CutPlan, type CutRules, type PlanFigures, type StockSheet, WHOLE } from "./types";

/** One glass to cut: what is asked for, the rests of it on the rack, and the sheets it is bought in, as many as it takes. */
export interface CutTask {
	blanks: readonly Blank[];
	offcuts: readonly StockSheet[];
	sheet: { widthMm: number; heightMm: number };
	/** Sizes of sheet that stand in the racks besides, to say what they would save. */
	otherSheets?: readonly { widthMm: number; heightMm: number }[];
	rules: CutRules;
}

/** What a plan is wanted for. */
export const CUT_AIMS = ["fewestSheets", "fewestScores", "useOffcuts"] as const;
export type CutAim = (typeof CUT_AIMS)[number];

export interface FoundPlan {
	plan: CutPlan;
	figures: PlanFigures;
}

/** The best plans after so many passes, one for each aim. */
export interface CutProgress {
	passes: number;
	best: Record<CutAim, FoundPlan>;
	/** So few whole sheets there could be with these offcuts, where it was reckoned; not rounded up. */
	least: number;
}

/** An offcut is taken where so much of it becomes blanks; to use the rack up, where half as much does, or anything at all. */
const FILLED = 0.75;
const FILLED_TO_USE_UP = [0.4, 0.02] as const;
/** A score is worth so much glass, mm². Common practice, no source. */
const SCORE_MM2 = 600;
const NOISE = 0.35;
/** Passes a glass: after so many nothing much is won any more (docs/benchmarks.md). The same everywhere, so the plans are too. */
export const USUAL_PASSES = 200;
/** So many where there might be a plan with a sheet less. */
const PATIENT_PASSES = 600;
/** Strips run along the sheet, up it or both: whole strips are taken out of these mixes, of one more after so many passes. */
const WAYS = [[false, true], [false], [true]] as const;
const PASSES_A_WAY = 60;
/** So many passes begin from nothing; the later ones take a part of the best plan apart. */
const FRESH = 16;

/**
 * Plans that get better, after every pass; `best` is the same object where none is. Passes are counted, never timed: the same task and seed
 * give the same plans on every machine. After R. Gilmore and R. E. Gomory (1965), three stages: strips, columns, equal parts stacked.
 */
export function* searchPlans(task: CutTask, passes: number, seed = 1): Generator<CutProgress> {
	const next = seededRandom(seed);
	const grid = gridOf(task.blanks, [...task.offcuts, { id: WHOLE, ...task.sheet }], task.rules);
	let best: Record<CutAim, FoundPlan & { laying: Laying }> | undefined;
	let told: Record<CutAim, FoundPlan> | undefined;
	const mixes: SheetMix[] = [];
	for (let pass = 0; pass < passes; pass++) {
		const noise: Noise = { amount: pass < 2 ? 0 : NOISE, next };
		const laying = best ? layBetter(pass, best, mixes, task, grid, noise) : layFresh(pass, task, grid, noise);
		const plan = planOf(laying, task, grid);
		const found = { plan, laying, figures: figuresOf(plan, task.blanks, task.rules, (id) => id !== WHOLE) };
		const before = best;
		if (!before || !told || CUT_AIMS.some((aim) => isBetter[aim](found, before[aim]))) {
			best = Object.fromEntries(
				CUT_AIMS.map((aim) => [aim, before && !isBetter[aim](found, before[aim]) ? before[aim] : found]),
			) as Record<CutAim, FoundPlan & { laying: Laying }>;
			const its = best;
			told = Object.fromEntries(
				CUT_AIMS.map((aim) => [aim, { plan: its[aim].plan, figures: its[aim].figures }]),
			) as Record<CutAim, FoundPlan>;
		}
		yield { passes: pass + 1, best: told, least: mixes[0]?.least ?? 0 };
	}
}

/**
 * Plans until hardly anything is won any more: longer where there might be one with fewer sheets.
 * @returns how few whole sheets there could be at all, offcuts left out
 */
export function* bestPlans(task: CutTask): Generator<CutProgress, number> {
	const byArea = leastSheetsOf(task, 0);
	let [sheets, least] = [0, 0];
	for (const progress of searchPlans(task, PATIENT_PASSES)) {
		yield progress;
		sheets = progress.best.fewestSheets.figures.sheets;
		least = Math.max(byArea, Math.ceil(progress.least - 1e-6));
		if (progress.passes >= USUAL_PASSES && sheets <= least) break;
	}
	return task.offcuts.length === 0 ? least : leastSheetsOf(task, sheets);
}

function layFresh(pass: number, task: CutTask, grid: Grid, noise: Noise): Laying {
	const filled = pass % 4 < 2 ? FILLED : (FILLED_TO_USE_UP[pass % 4 === 2 ? 0 : 1] ?? FILLED);
	return layAll(task, grid, pass % 2 === 1, filled, noise);
}

/** Fresh ones first, then the best with a part laid anew; late, every second one with whole strips out of `mixes`, which it makes. */
function layBetter(
	pass: number,
	best: Record<CutAim, FoundPlan & { laying: Laying }>,
	mixes: SheetMix[],
	task: CutTask,
	grid: Grid,
	noise: Noise,
): Laying {
	if (pass < FRESH) return layFresh(pass, task, grid, noise);
	const late = pass - USUAL_PASSES;
	if (late < 0 || late % 2 === 1)
		return layAgain(best[CUT_AIMS[pass % CUT_AIMS.length] ?? "fewestSheets"].laying, task, grid, noise);
	const ways = late % PASSES_A_WAY === 0 && WAYS[late / PASSES_A_WAY];
	const { laying, figures } = best.fewestSheets;
	const mix = ways && mixOf(laying, figures.sheets, ways, task, grid);
	if (mix) mixes.push(mix);
	return layMix(laying, mixes, task, grid, noise);
}

const shortOf = ({ plan }: FoundPlan): number => plan.short.reduce((sum, n) => sum + n, 0);
const spent = ({ figures: { takenMm2, keptMm2, scores } }: FoundPlan): number =>
	takenMm2 - keptMm2 + scores * SCORE_MM2;

const inOrder =
	(...of: ((plan: FoundPlan) => number)[]) =>
	(a: FoundPlan, b: FoundPlan): boolean => {
		for (const value of of) if (value(a) !== value(b)) return value(a) < value(b);
		return false;
	};

const isBetter: Record<CutAim, (a: FoundPlan, b: FoundPlan) => boolean> = {
	fewestSheets: inOrder(shortOf, ({ figures }) => figures.sheets, spent),
	fewestScores: inOrder(shortOf, ({ figures }) => figures.scores, spent),
	useOffcuts: inOrder(
		shortOf,
		({ figures }) => figures.sheets,
		({ figures }) => -figures.offcuts,
		spent,
	),
};
