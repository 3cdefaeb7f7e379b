import type { CutTask } from "@core/cutting/plan/search";
import type { PlanFigures } from "@core/cutting/plan/types";
import { inPool } from "../../heavy/in-pool";

const KEPT = 64;
/** What was found for a task, by what it says; the newest last. */
const found = new Map<string, Promise<PlanFigures>>();

/** What the plan with the fewest sheets costs, as the page finds it: searched for in a thread, once for each task. */
export function plannedFigures(task: CutTask): Promise<PlanFigures> {
	const key = JSON.stringify(task);
	const before = found.get(key);
	if (before) return before;
	const now = inPool("planSheets", task);
	found.set(key, now);
	now.catch(() => found.delete(key));
	for (const old of [...found.keys()].slice(0, Math.max(0, found.size - KEPT))) found.delete(old);
	return now;
}
