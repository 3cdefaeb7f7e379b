import type { CutProgress, CutTask } from "@core/cutting/plan/search";
import { proxy, wrap } from "comlink";
import { useEffect, useMemo, useState } from "react";
import type { Planner } from "../../workers/cut.worker";

/** Passes a glass: after so many nothing much is won any more (docs/benchmarks.md). The same on every tablet, so the plans are too. */
export const PASSES = 300;

/** Plans of each task as far as they are found, searched for in a worker that ends with the page or a change of the list. */
export function useCutPlan(tasks: readonly CutTask[]) {
	const key = JSON.stringify(tasks);
	const [found, setFound] = useState<{ key: string; plans: (CutProgress | undefined)[]; done: number }>();
	// biome-ignore lint/correctness/useExhaustiveDependencies: the list by what it says
	const list = useMemo(() => [...tasks], [key]);
	useEffect(() => {
		if (list.length === 0) return;
		const thread = new Worker(new URL("../../workers/cut.worker.ts", import.meta.url), { type: "module" });
		const plans: (CutProgress | undefined)[] = list.map(() => undefined);
		const tell = proxy((i: number, progress: CutProgress, done: number) => {
			plans[i] = progress;
			setFound({ key, plans: [...plans], done });
		});
		void wrap<Planner>(thread).search(list, PASSES, tell);
		return () => thread.terminate();
	}, [list, key]);
	const own = found?.key === key ? found : undefined;
	return {
		plans: own?.plans ?? [],
		/** 0 to 1; 1 once nothing is searched for any more. */
		share: list.length === 0 ? 1 : (own?.done ?? 0) / (PASSES * list.length),
	};
}
