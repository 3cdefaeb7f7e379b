import type { CutProgress, CutTask } from "@core/cutting/plan/search";
import { proxy, wrap } from "comlink";
import { useEffect, useMemo, useState } from "react";
import type { CutOutlook, Planner } from "../../workers/cut.worker";

/** For the rest of a plan that is being cut: an answer while one waits (docs/benchmarks.md). */
const PASSES_WHILE_CUTTING = 12;

const thread = () => new Worker(new URL("../../workers/cut.worker.ts", import.meta.url), { type: "module" });

interface Found {
	key: string;
	plans: (CutProgress | undefined)[];
	outlooks: (CutOutlook | undefined)[];
	done: number;
}

/** Plans of each task as far as they are found, searched for in a worker that ends with the page or a change of the list. */
export function useCutPlan(tasks: readonly CutTask[]) {
	const key = JSON.stringify(tasks);
	const [found, setFound] = useState<Found>();
	// biome-ignore lint/correctness/useExhaustiveDependencies: the list by what it says
	const list = useMemo(() => [...tasks], [key]);
	useEffect(() => {
		if (list.length === 0) return;
		const worker = thread();
		const now: Found = { key, plans: list.map(() => undefined), outlooks: list.map(() => undefined), done: 0 };
		const show = () => setFound({ ...now, plans: [...now.plans], outlooks: [...now.outlooks] });
		const tell = proxy((i: number, progress: CutProgress, share: number) => {
			now.plans[i] = progress;
			now.done = share;
			show();
		});
		const tellMore = proxy((i: number, outlook: CutOutlook) => {
			now.outlooks[i] = outlook;
			show();
		});
		void wrap<Planner>(worker).search(list, tell, tellMore);
		return () => worker.terminate();
	}, [list, key]);
	const own = found?.key === key ? found : undefined;
	return {
		plans: own?.plans ?? [],
		outlooks: own?.outlooks ?? [],
		/** 0 to 1; 1 once nothing is searched for any more. */
		share: list.length === 0 ? 1 : (own?.done ?? 0),
	};
}

/** One plan, quickly, in a thread of its own. */
export async function planOnce(task: CutTask): Promise<CutProgress | undefined> {
	const worker = thread();
	try {
		return await wrap<Planner>(worker).plan(task, PASSES_WHILE_CUTTING);
	} finally {
		worker.terminate();
	}
}
