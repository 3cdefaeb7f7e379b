import type { CutProgress, CutTask } from "@core/cutting/plan/search";
import { proxy } from "comlink";
import { useMemo } from "react";
import { askOnce, useSearch } from "../../lib/use-worker";
import type { CutOutlook, Planner } from "../../workers/cut.worker";

/** For the rest of a plan that is being cut: an answer while one waits (docs/benchmarks.md). */
const PASSES_WHILE_CUTTING = 12;

const thread = () => new Worker(new URL("../../workers/cut.worker.ts", import.meta.url), { type: "module" });

interface Found {
	plans: (CutProgress | undefined)[];
	outlooks: (CutOutlook | undefined)[];
}

/** Plans of each task as far as they are found; searched for anew when the list changes. */
export function useCutPlan(tasks: readonly CutTask[]) {
	const key = tasks.length === 0 ? null : JSON.stringify(tasks);
	// biome-ignore lint/correctness/useExhaustiveDependencies: the list by what it says
	const list = useMemo(() => [...tasks], [key]);
	const { found, share } = useSearch<Planner, Found>(thread, key, (ask, tell) => {
		const now: Found = { plans: list.map(() => undefined), outlooks: list.map(() => undefined) };
		let done = 0;
		const show = () => tell({ plans: [...now.plans], outlooks: [...now.outlooks] }, done);
		const plan = proxy((i: number, progress: CutProgress, share: number) => {
			now.plans[i] = progress;
			done = share;
			show();
		});
		const outlook = proxy((i: number, its: CutOutlook) => {
			now.outlooks[i] = its;
			show();
		});
		return ask((remote) => remote.search(list, plan, outlook));
	});
	return { plans: found?.plans ?? [], outlooks: found?.outlooks ?? [], share };
}

/** One plan, quickly, in a thread of its own. */
export const planOnce = (task: CutTask): Promise<CutProgress | undefined> =>
	askOnce<Planner, CutProgress | undefined>(thread, (remote) => remote.plan(task, PASSES_WHILE_CUTTING));
