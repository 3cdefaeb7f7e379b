import { type PlanBook, planInputOf } from "@core/loading/plan/book";
import { problemOf } from "@core/loading/plan/problem";
import { type ShownPlan, shownPlan } from "@core/loading/plan/shown";
import { threePlans } from "@core/loading/plan/three-plans";
import type { Plan } from "@core/loading/plan/types";
import { type PlanName, weightsOf } from "@core/loading/plan/weights";
import { expose } from "comlink";

/** Told again no sooner than after so many steps of the search, where nothing is better. */
const QUIET_STEPS = 20;

/** Plans over kilns and days, off the page's own thread: the first of each at once, then better ones. */
const planner = {
	/** @param tell a plan whenever it is better, and how much of the search is done, 0 to 1 */
	async plan(book: PlanBook, tell: (name: PlanName, plan: ShownPlan | undefined, share: number) => void) {
		const problem = problemOf(planInputOf(book));
		const told = new Map<PlanName, Plan>();
		let quiet = 0;
		for (const { name, plan, share } of threePlans(problem)) {
			const isNew = told.get(name) !== plan;
			if (!isNew && ++quiet % QUIET_STEPS !== 0 && share < 1) continue;
			told.set(name, plan);
			await tell(name, isNew ? shownPlan(problem, plan, weightsOf(name, book.wishes), book.fromMs) : undefined, share);
		}
	},
};
export type LoadPlanner = typeof planner;
expose(planner);
