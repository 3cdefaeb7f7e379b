import { type CutProgress, type CutTask, searchPlans } from "@core/cutting/plan/search";
import { expose } from "comlink";

/** Plans for several glasses, off the page's own thread: the first of each at once, then better ones. */
const planner = {
	/**
	 * @param tell a glass's plans whenever they are better, and how many passes of all are done
	 */
	async search(tasks: CutTask[], passes: number, tell: (task: number, progress: CutProgress, done: number) => void) {
		const searches = tasks.map((task) => searchPlans(task, passes));
		let done = 0;
		const step = async (i: number, last: CutProgress | undefined): Promise<CutProgress | undefined> => {
			const { value } = searches[i]?.next() ?? {};
			done++;
			const progress = value as CutProgress | undefined;
			if (progress && (!last || progress.best !== last.best || done % 20 === 0)) await tell(i, progress, done);
			return progress ?? last;
		};
		const first: (CutProgress | undefined)[] = [];
		for (const i of tasks.keys()) first.push(await step(i, undefined));
		for (const [i, one] of first.entries()) {
			let last = one;
			for (let pass = 1; pass < passes; pass++) last = await step(i, last);
			if (last) await tell(i, last, done);
		}
	},
};
export type Planner = typeof planner;
expose(planner);
