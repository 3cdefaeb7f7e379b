import { leastSheetsOf } from "@core/cutting/plan/bound";
import { type Saving, savingsOf } from "@core/cutting/plan/savings";
import { type CutProgress, type CutTask, searchPlans } from "@core/cutting/plan/search";
import { type SheetSaving, sheetSavingOf } from "@core/cutting/plan/sheet-saving";
import { expose } from "comlink";

/** What is known of a glass's plans besides: how few sheets there could be at all, and what a smaller part would save. */
export interface CutOutlook {
	least: number;
	savings: Saving[];
	sheetSaving: SheetSaving | undefined;
}

/** Plans for several glasses, off the page's own thread: the first of each at once, then better ones. */
const planner = {
	/**
	 * @param tell a glass's plans whenever they are better, and how many passes of all are done
	 * @param tellMore once a glass's search is over
	 */
	async search(
		tasks: CutTask[],
		passes: number,
		tell: (task: number, progress: CutProgress, done: number) => void,
		tellMore: (task: number, outlook: CutOutlook) => void,
	) {
		const searches = tasks.map((task) => searchPlans(task, passes));
		let done = 0;
		const step = async (i: number, last: CutProgress | undefined): Promise<CutProgress | undefined> => {
			const { value } = searches[i]?.next() ?? {};
			done++;
			const progress = value as CutProgress | undefined;
			if (progress && (!last || progress.best !== last.best || done % 20 === 0)) await tell(i, progress, done);
			return progress ?? last;
		};
		const lasts: (CutProgress | undefined)[] = [];
		for (const i of tasks.keys()) lasts.push(await step(i, undefined));
		for (const i of tasks.keys()) {
			for (let pass = 1; pass < passes; pass++) lasts[i] = await step(i, lasts[i]);
			const last = lasts[i];
			if (last) await tell(i, last, done);
		}
		for (const [i, task] of tasks.entries()) {
			const figures = lasts[i]?.best.fewestSheets.figures;
			const sheets = figures?.sheets ?? 0;
			await tellMore(i, {
				least: leastSheetsOf(task, sheets),
				savings: savingsOf(task, sheets),
				sheetSaving: figures && sheetSavingOf(task, figures),
			});
		}
	},
	/** The last of so many passes. */
	plan: (task: CutTask, passes: number): CutProgress | undefined => [...searchPlans(task, passes)].at(-1),
};
export type Planner = typeof planner;
expose(planner);
