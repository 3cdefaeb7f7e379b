import { type Saving, savingsOf } from "@core/cutting/plan/savings";
import { bestPlans, type CutProgress, type CutTask, searchPlans, USUAL_PASSES } from "@core/cutting/plan/search";
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
	 * @param tell a glass's plans whenever they are better, and how much of all is done, 0 to 1
	 * @param tellMore once a glass's search is over
	 */
	async search(
		tasks: CutTask[],
		tell: (task: number, progress: CutProgress, share: number) => void,
		tellMore: (task: number, outlook: CutOutlook) => void,
	) {
		const searches = tasks.map((task) => bestPlans(task));
		const lasts: (CutProgress | undefined)[] = [];
		const least: number[] = [];
		let ended = 0;
		/** One pass more of a glass; false once it is over. */
		const step = async (i: number): Promise<boolean> => {
			const next = searches[i]?.next();
			if (!next) return false;
			if (next.done) {
				least[i] = next.value;
				return false;
			}
			const { value } = next;
			const last = lasts[i];
			lasts[i] = value;
			const share = (ended + Math.min(1, value.passes / USUAL_PASSES)) / tasks.length;
			if (!last || value.best !== last.best || value.passes % 20 === 0) await tell(i, value, Math.min(0.99, share));
			return true;
		};
		for (const i of tasks.keys()) await step(i);
		for (const i of tasks.keys()) {
			while (await step(i));
			ended++;
			const last = lasts[i];
			if (last) await tell(i, last, ended / tasks.length);
		}
		for (const [i, task] of tasks.entries()) {
			const figures = lasts[i]?.best.fewestSheets.figures;
			const sheets = figures?.sheets ?? 0;
			await tellMore(i, {
				least: least[i] ?? 0,
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
