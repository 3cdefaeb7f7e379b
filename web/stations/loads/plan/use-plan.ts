import type { PlanView } from "@contract/loads";
import type { ShownPlan } from "@core/loading/plan/shown";
import type { PlanName } from "@core/loading/plan/weights";
import { proxy } from "comlink";
import { useMemo } from "react";
import { useSearch } from "../../../lib/use-worker";
import type { LoadPlanner } from "../../../workers/plan.worker";

export type Plans = Partial<Record<PlanName, ShownPlan>>;

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

const thread = () => new Worker(new URL("../../../workers/plan.worker.ts", import.meta.url), { type: "module" });

/** The three plans as far as they are found; searched for anew when what waits changes. */
export function usePlan(view: PlanView) {
	const key = keyOf(view);
	// biome-ignore lint/correctness/useExhaustiveDependencies: the book by what it says
	const book = useMemo(() => view, [key]);
	const search = useSearch<LoadPlanner, Plans>(thread, book.pieces.length === 0 ? null : key, (ask, tell) => {
		const plans: Plans = {};
		const told = proxy((name: PlanName, plan: ShownPlan | undefined, share: number) => {
			if (plan) plans[name] = plan;
			tell({ ...plans }, share);
		});
		return ask((remote) => remote.plan(book, told));
	});
	const { found: plans = {}, ...how } = search;
	return {
		...{ plans, ...how },
		/** The book that the plans were made from. */
		book,
	};
}
