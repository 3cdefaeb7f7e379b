import { downTo, type Grid, laidGrid } from "./grid";
import { type Noise, nextStrip, type RawStrip } from "./lay-strips";
import { roundMix } from "./round-mix";
import type { CutTask } from "./search";
import { type LaidStrip, mixSheets, type SheetMix } from "./sheet-mix";
import { stackStrips } from "./stack-strips";
import { asLaid, type CutPlan, type SheetPlan, type StockSheet, WHOLE } from "./types";

/** Strips before they lie on whole sheets, and what came of offcuts. */
export interface Laying {
	offcuts: SheetPlan[];
	/** How new strips run. */
	turned: boolean;
	strips: LaidStrip[];
	/** What is left of each blank beside them. */
	left: number[];
}

/** One laying from nothing: offcuts from the smallest up where they fill well, the rest in strips of whole sheets. */
export function layAll(task: CutTask, grid: Grid, turned: boolean, filled: number, noise: Noise): Laying {
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
export function layAgain(before: Laying, task: CutTask, grid: Grid, noise: Noise): Laying {
	const left = [...before.left];
	const share = 0.15 + 0.45 * noise.next();
	const strips = before.strips.filter((strip) => {
		const fill = strip.area / (strip.height * sidesOf(strip, task, grid)[0]);
		if (noise.next() > share * (1 + 2 * (1 - fill))) return true;
		for (const { choice, n } of strip.columns) left[choice.blank] = (left[choice.blank] ?? 0) + n * choice.stack;
		return false;
	});
	return withStrips({ ...before, strips, left }, task, grid, noise);
}

/** What lies beside offcuts on so many whole sheets as a mix of sheets; worked out no further where it is clear that fewer will not do. */
export const mixOf = (
	{ offcuts, left }: Laying,
	sheets: number,
	ways: readonly boolean[],
	task: CutTask,
	grid: Grid,
): SheetMix | undefined => {
	const laid = besideOffcuts(offcuts, task).map((n, i) => n - (left[i] ?? 0));
	return mixSheets(sidesOf({ turned: false }, task, grid), laid, grid, ways, sheets);
};

/** Whole strips out of one of the mixes, the rest in strips of its own. */
export function layMix(
	{ offcuts }: Laying,
	mixes: readonly SheetMix[],
	task: CutTask,
	grid: Grid,
	noise: Noise,
): Laying {
	const mix = mixes[Math.floor(noise.next() * mixes.length)];
	const left = besideOffcuts(offcuts, task);
	const strips = mix ? roundMix(mix, left, grid, noise) : [];
	const turned = strips[Math.floor(noise.next() * strips.length)]?.turned ?? noise.next() < 0.5;
	return withStrips({ offcuts, turned, strips, left }, task, grid, noise);
}

function besideOffcuts(offcuts: readonly SheetPlan[], { blanks }: CutTask): number[] {
	const left = blanks.map(({ count }) => count);
	for (const { strips } of offcuts)
		for (const { columns } of strips) for (const { blank, stack } of columns) left[blank] = (left[blank] ?? 0) - stack;
	return left;
}

const sidesOf = (
	{ turned }: Pick<Laying, "turned">,
	{ sheet }: CutTask,
	grid: Grid,
): [length: number, height: number] => {
	const { lengthMm, heightMm } = asLaid({ sheet: { id: WHOLE, ...sheet }, turned });
	return [downTo(lengthMm, grid.mm), downTo(heightMm, grid.mm)];
};

/** Strips for all that is left. */
function withStrips(laying: Laying, task: CutTask, grid: Grid, noise: Noise): Laying {
	const laid = laidGrid(grid, laying.turned);
	const [length, height] = sidesOf(laying, task, grid);
	const [left, strips] = [[...laying.left], [...laying.strips]];
	for (let one = nextStrip(length, height, left, laid, noise); one; one = nextStrip(length, height, left, laid, noise))
		strips.push({ ...one, turned: laying.turned });
	return { ...laying, strips, left };
}

/** Its strips on whole sheets, after what comes of offcuts. */
export function planOf(laying: Laying, task: CutTask, grid: Grid): CutPlan {
	const sheets = [false, true].flatMap((turned) => {
		const its = laying.strips.filter((one) => one.turned === turned);
		const heights = its.map((one) => one.height);
		return stackStrips(heights, sidesOf({ turned }, task, grid)[1], grid).map((stack) => ({
			sheet: { id: WHOLE, ...task.sheet },
			turned,
			strips: placed(
				stack.map((i) => its[i] as RawStrip),
				grid,
			),
		}));
	});
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
