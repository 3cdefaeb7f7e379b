import { seededRandom } from "../../seeded-random";
import { figuresOf, leastSheets } from "./figures";
import { downTo, type Grid, gridOf } from "./grid";
import { type Noise, nextStrip, type RawStrip } from "./lay-strips";
import { stackStrips } from "./stack-strips";
import {
	asLaid,
	type Blank,
	type CutPlan,
	type CutRules,
	type PlanFigures,
	type SheetPlan,
	type StockSheet,
	WHOLE,
} from "./types";

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
const PATIENT_PASSES = 1000;
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
	for (let pass = 0; pass < passes; pass++) {
		const noise: Noise = { amount: pass < 2 ? 0 : NOISE, next };
		const turned = pass % 2 === 1;
		const filled = pass % 4 < 2 ? FILLED : (FILLED_TO_USE_UP[pass % 4 === 2 ? 0 : 1] ?? FILLED);
		const laying =
			best && pass >= FRESH
				? layAgain(best[CUT_AIMS[pass % CUT_AIMS.length] ?? "fewestSheets"].laying, task, grid, noise)
				: layAll(task, grid, turned, filled, noise);
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
		yield { passes: pass + 1, best: told };
	}
}

/** Plans until hardly anything is won any more: longer where fewer sheets would hold the area of all blanks. */
export function* bestPlans(task: CutTask): Generator<CutProgress> {
	const least = leastSheets(task.blanks, task.sheet);
	for (const progress of searchPlans(task, PATIENT_PASSES)) {
		yield progress;
		if (progress.passes >= USUAL_PASSES && progress.best.fewestSheets.figures.sheets <= least) return;
	}
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

/** Strips before they lie on whole sheets, and what came of offcuts. */
interface Laying {
	offcuts: SheetPlan[];
	turned: boolean;
	strips: RawStrip[];
	/** What is left of each blank beside them. */
	left: number[];
}

/** One laying from nothing: offcuts from the smallest up where they fill well, the rest in strips of whole sheets. */
function layAll(task: CutTask, grid: Grid, turned: boolean, filled: number, noise: Noise): Laying {
	const left = task.blanks.map(({ count }) => count);
	const offcuts: SheetPlan[] = [];
	const smallestFirst = [...task.offcuts].sort(
		(a, b) => Number(b.inHand ?? false) - Number(a.inHand ?? false) || a.widthMm * a.heightMm - b.widthMm * b.heightMm,
	);
	for (const offcut of smallestFirst) {
		const ways = [false, true].map((way) => {
			const rest = [...left];
			const plan = onOne(offcut, way, rest, laidGrid(grid, way), noise);
			return { rest, plan, area: plan.area };
		});
		const [best] = ways.sort((a, b) => b.area - a.area);
		const least = offcut.inHand ? 0 : filled * offcut.widthMm * offcut.heightMm;
		if (!best || best.area === 0 || best.area * grid.mm ** 2 < least) continue;
		best.rest.forEach((n, i) => {
			left[i] = n;
		});
		offcuts.push(best.plan.plan);
	}
	return withStrips({ offcuts, turned, strips: [], left }, task, grid, noise);
}

/** The same with some of its strips taken apart, the emptier the likelier, and their blanks laid anew. */
function layAgain(before: Laying, task: CutTask, grid: Grid, noise: Noise): Laying {
	const left = [...before.left];
	const share = 0.15 + 0.45 * noise.next();
	const strips = before.strips.filter((strip) => {
		const fill = strip.area / (strip.height * lengthOf(before, task, grid));
		if (noise.next() > share * (1 + 2 * (1 - fill))) return true;
		for (const { choice, n } of strip.columns) left[choice.blank] = (left[choice.blank] ?? 0) + n * choice.stack;
		return false;
	});
	return withStrips({ ...before, strips, left }, task, grid, noise);
}

const sidesOf = ({ turned }: Laying, { sheet }: CutTask, grid: Grid): [length: number, height: number] => {
	const { lengthMm, heightMm } = asLaid({ sheet: { id: WHOLE, ...sheet }, turned });
	return [downTo(lengthMm, grid.mm), downTo(heightMm, grid.mm)];
};
const lengthOf = (laying: Laying, task: CutTask, grid: Grid): number => sidesOf(laying, task, grid)[0];

/** Strips for all that is left. */
function withStrips(laying: Laying, task: CutTask, grid: Grid, noise: Noise): Laying {
	const laid = laidGrid(grid, laying.turned);
	const [length, height] = sidesOf(laying, task, grid);
	const [left, strips] = [[...laying.left], [...laying.strips]];
	for (let one = nextStrip(length, height, left, laid, noise); one; one = nextStrip(length, height, left, laid, noise))
		strips.push(one);
	return { ...laying, strips, left };
}

/** Its strips on whole sheets, after what comes of offcuts. */
function planOf(laying: Laying, task: CutTask, grid: Grid): CutPlan {
	const laid = laidGrid(grid, laying.turned);
	const stacks = stackStrips(
		laying.strips.map((one) => one.height),
		sidesOf(laying, task, grid)[1],
		laid,
	);
	const sheets = stacks.map((stack) => ({
		sheet: { id: WHOLE, ...task.sheet },
		turned: laying.turned,
		strips: placed(
			stack.map((i) => laying.strips[i] as RawStrip),
			laid,
		),
	}));
	return { sheets: [...laying.offcuts, ...sheets], short: laying.left };
}

/** Strips of one piece of stock from the foot up, until nothing more fits. */
function onOne(sheet: StockSheet, turned: boolean, left: number[], grid: Grid, noise: Noise) {
	const { lengthMm, heightMm } = asLaid({ sheet, turned });
	const length = downTo(lengthMm, grid.mm);
	let free = downTo(heightMm, grid.mm);
	const strips: RawStrip[] = [];
	for (let one = nextStrip(length, free, left, grid, noise); one; one = nextStrip(length, free, left, grid, noise)) {
		strips.push(one);
		free -= one.height + grid.kerf;
		if (free <= 0) break;
	}
	const area = strips.reduce((sum, one) => sum + one.area, 0);
	return { area, plan: { sheet, turned, strips: placed(strips, grid) } satisfies SheetPlan };
}

/** The list as it lies on a sheet whose strips run along its height: what may not be turned by itself turns with the sheet. */
const laidGrid = (grid: Grid, turned: boolean): Grid =>
	turned ? { ...grid, blanks: grid.blanks.map((one) => ({ ...one, w: one.h, h: one.w })) } : grid;

/** Strips with their places, mm. */
function placed(strips: readonly RawStrip[], grid: Grid): SheetPlan["strips"] {
	let y = 0;
	return strips.map(({ height, columns }) => {
		let x = 0;
		const placedColumns = columns.flatMap(({ choice, n }) =>
			Array.from({ length: n }, () => {
				const xMm = x * grid.mm;
				x += choice.w + grid.kerf;
				return {
					xMm,
					widthMm: choice.w * grid.mm,
					heightMm: choice.h * grid.mm,
					stack: choice.stack,
					blank: choice.blank,
					turned: choice.turned,
				};
			}),
		);
		const yMm = y * grid.mm;
		y += height + grid.kerf;
		return { yMm, heightMm: height * grid.mm, columns: placedColumns };
	});
}
