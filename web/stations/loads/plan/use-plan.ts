import type { PlanView } from "@contract/loads";
import type { ShownPlan } from "@core/loading/plan/shown";
import type { PlanName } from "@core/loading/plan/weights";
import { proxy, wrap } from "comlink";
import { useEffect, useMemo, useState } from "react";
import type { LoadPlanner } from "../../../workers/plan.worker";

export type Plans = Partial<Record<PlanName, ShownPlan>>;

interface Found {
	key: string;
	plans: Plans;
	share: number;
	ms: number;
}

/** What a plan depends on; the hour it begins at only moves on. */
const keyOf = ({
	fromMs: _,
	untilMs: __,
	outlines: ___,
	families: ____,
	pieces,
	there,
	mayStart,
	...book
}: PlanView): string =>
	JSON.stringify([
		pieces.map(({ id, seq, readyMs, route }) => [id, seq, readyMs, route]),
		there.length,
		mayStart.length,
		book,
	]);

/** The three plans as far as they are found, searched for in a worker that ends with the page or a change of what waits. */
export function usePlan(view: PlanView) {
	const key = keyOf(view);
	const [found, setFound] = useState<Found>();
	const [stopped, setStopped] = useState<string>();
	// biome-ignore lint/correctness/useExhaustiveDependencies: the book by what it says
	const book = useMemo(() => view, [key]);
	const isStopped = stopped === key;
	useEffect(() => {
		if (book.pieces.length === 0 || isStopped) return;
		const worker = new Worker(new URL("../../../workers/plan.worker.ts", import.meta.url), { type: "module" });
		const from = performance.now();
		const plans: Plans = {};
		const tell = proxy((name: PlanName, plan: ShownPlan | undefined, share: number) => {
			if (plan) plans[name] = plan;
			setFound({ key, plans: { ...plans }, share, ms: performance.now() - from });
		});
		void wrap<LoadPlanner>(worker).plan(book, tell);
		return () => worker.terminate();
	}, [book, key, isStopped]);
	const own = found?.key === key ? found : undefined;
	return {
		plans: own?.plans ?? {},
		/** 0 to 1; 1 once nothing is searched for any more. */
		share: book.pieces.length === 0 || isStopped ? 1 : (own?.share ?? 0),
		ms: own?.ms ?? 0,
		/** The book that the plans were made from. */
		book,
		stop: () => setStopped(key),
	};
}
