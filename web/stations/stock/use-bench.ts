import type { CutPlanRow, CutRun, CutView, SheetStockRow } from "@contract/cutting";
import { cutBefore, glassLists, type GlassList as Listed, taskOf } from "@core/cutting/glass-lists";
import { leastSheets } from "@core/cutting/plan/figures";
import { keptPlanOf } from "@core/cutting/plan/keep-plan";
import { usedByPlan } from "@core/cutting/plan/kept";
import { keptFigures } from "@core/cutting/plan/kept-figures";
import { mendingTask, tooLargeIn } from "@core/cutting/plan/mending-task";
import { progressOf, type StripProgress } from "@core/cutting/plan/progress";
import type { CutAim, CutTask } from "@core/cutting/plan/search";
import type { Blank, CutPlan, CutRules, PlanFigures, SheetPlan } from "@core/cutting/plan/types";
import { useEffect, useState } from "react";
import { useAct } from "../../lib/api";
import type { CutOutlook } from "../../workers/cut.worker";
import { planOnce, useCutPlan } from "./use-cut-plan";
import type { Ticks } from "./use-ticks";

/** One glass of the list: what is wanted of it, what there is to cut it from, the plan somebody cuts by. */
export type GlassList = Listed<CutRun["lines"][number], SheetStockRow, CutPlanRow>;

/** One glass on the bench: its list with the plan that is shown, kept or proposed. */
export interface GlassOnBench extends GlassList {
	sheets: SheetPlan[];
	blanks: Blank[];
	/** What it is cut with. */
	rules: CutRules;
	short: number;
	figures: PlanFigures;
	/** No plan has fewer sheets. */
	least: number;
	outlook: CutOutlook | undefined;
	progress: StripProgress[];
	/** The list was changed, or something broke, since the plan was made. */
	isStale: boolean;
}

const sum = (all: readonly number[]): number => all.reduce((total, n) => total + n, 0);

/** Every glass with its plan: those that are cut by, and the best found for the others. */
export function useBench(view: CutView, usual: CutTask["sheet"], ticks: Ticks, aim: CutAim, rules: CutRules) {
	const lists = glassLists(view, usual, rules);
	const open = lists.filter(({ kept }) => !kept);
	const { plans, outlooks, share } = useCutPlan(open.map((list) => taskOf(list, rules)));
	const groups = lists.flatMap((list): GlassOnBench[] => {
		const { kept, wanted } = list;
		if (kept) {
			const { plan } = kept;
			const isStale = wanted.some(
				({ key, count }) => (plan.blanks.find((one) => one.key === key)?.count ?? 0) !== count,
			);
			return [
				{
					...list,
					...{ sheets: plan.sheets, blanks: plan.blanks, rules: plan.rules, isStale, outlook: undefined },
					short: isStale ? 0 : tooLargeIn(plan, wanted),
					figures: keptFigures(plan),
					least: leastSheets(wanted, list.sheet),
					progress: progressOf(plan, plan.blanks, usedByPlan(plan, ticks.usedOf)),
				},
			];
		}
		const at = open.indexOf(list);
		const found = plans[at]?.best[aim];
		if (!found) return [];
		return [
			{
				...list,
				...{ sheets: found.plan.sheets, blanks: wanted, rules, isStale: false, figures: found.figures },
				short: sum(found.plan.short),
				outlook: outlooks[at],
				least: outlooks[at]?.least ?? leastSheets(wanted, list.sheet),
				progress: progressOf(found.plan, wanted, () => 0),
			},
		];
	});
	/** What each aim's plans come to, of the glasses nobody cuts yet. */
	const proposals = open.map((list, i) => ({ list, found: plans[i], outlook: outlooks[i] }));
	return { groups, proposals, share };
}

/** Begins to cut by plans, and goes on by others once something broke or the list was changed. */
export function usePlanKeeping(ticks: Ticks) {
	const save = useAct("saveCutPlan");
	const [toMend, setToMend] = useState<string>();
	const [isPlanning, setPlanning] = useState(false);
	/** Whether it is kept; what is refused stands in `error`. */
	const sent = (build: Parameters<typeof save.sendAsync>[0]): Promise<boolean> =>
		save.sendAsync(build).then(
			() => true,
			() => false,
		);
	const begin = (list: GlassList, found: CutPlan, rules: CutRules): Promise<boolean> =>
		sent((newId) => ({
			planId: newId(),
			revision: 0,
			glassId: list.glass.id,
			runIds: list.runIds,
			plan: keptPlanOf(found, list.wanted, list.wanted, rules, list.stock, undefined, cutBefore(list)),
		}));
	const mend = async (list: GlassList) => {
		if (!list.kept || isPlanning) return;
		setPlanning(true);
		try {
			const { plan, id, revision } = list.kept;
			const task = mendingTask(list, plan, ticks.usedOf);
			const found = (await planOnce(task.task))?.best.useOffcuts.plan ?? { sheets: [], short: [] };
			const next = keptPlanOf(found, task.task.blanks, list.wanted, plan.rules, task.stock, {
				plan,
				sheets: task.begun,
			});
			await sent(() => ({ planId: id, revision, glassId: list.glass.id, runIds: list.runIds, plan: next }));
		} finally {
			setPlanning(false);
		}
	};
	return {
		begin,
		mend,
		/** Plans the rest of this glass anew as soon as the studio knows what broke. */
		mendOnce: setToMend,
		toMend,
		mended: () => setToMend(undefined),
		isPending: save.isPending || isPlanning,
		error: save.error,
	};
}

/** Mends a plan by itself after this device said that something broke, once the list says so too. */
export function useMending(
	groups: readonly GlassOnBench[],
	keeping: ReturnType<typeof usePlanKeeping>,
	isSaving: boolean,
) {
	const { toMend, mended, mend, isPending } = keeping;
	const group = groups.find(({ glass }) => glass.id === toMend);
	// biome-ignore lint/correctness/useExhaustiveDependencies: whenever the list is as the studio has it
	useEffect(() => {
		if (!group?.isStale || isSaving || isPending) return;
		mended();
		void mend(group);
	}, [group?.isStale, isSaving, isPending]);
}
