import type { CutPlanRow, CutRun, CutView, SheetStockRow } from "@contract/cutting";
import { cutBefore, glassLists, type GlassList as Listed, taskOf } from "@core/cutting/glass-lists";
import { cutSoFar, notYetCut, stillToCut } from "@core/cutting/plan/cut-so-far";
import { leastSheets } from "@core/cutting/plan/figures";
import { keptPlanOf, restId } from "@core/cutting/plan/keep-plan";
import { type KeptPlan, usedByPlan } from "@core/cutting/plan/kept";
import { keptFigures } from "@core/cutting/plan/kept-figures";
import { madeBy } from "@core/cutting/plan/plan-problem";
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

/** So many blanks of a list found no place in the plan that was made for it. */
function tooLargeIn(plan: KeptPlan, wanted: readonly Blank[]): number {
	const made = madeBy(plan);
	const placed = (key: string) => made[plan.blanks.findIndex((one) => one.key === key)] ?? 0;
	return sum(notYetCut(wanted, plan.before).map(({ key, count }) => Math.max(0, count - placed(key))));
}

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
	const [ids] = useState(() => new Map<string, string>());
	const [toMend, setToMend] = useState<string>();
	const [isPlanning, setPlanning] = useState(false);
	/** The same id until it is kept: sent twice it is one plan. */
	const idFor = (key: string): string => {
		const id = ids.get(key) ?? crypto.randomUUID();
		ids.set(key, id);
		return id;
	};
	/** Whether it is kept; what is refused stands in `error`. */
	const sent = (input: Parameters<typeof save.mutateAsync>[0]): Promise<boolean> =>
		save.mutateAsync(input).then(
			() => true,
			() => false,
		);
	const begin = (list: GlassList, found: CutPlan, rules: CutRules): Promise<boolean> =>
		sent({
			planId: idFor(list.runIds.join() + list.glass.id),
			revision: 0,
			glassId: list.glass.id,
			runIds: list.runIds,
			plan: keptPlanOf(found, list.wanted, list.wanted, rules, list.stock, undefined, cutBefore(list)),
		});
	const mend = async (list: GlassList) => {
		if (!list.kept || isPlanning) return;
		setPlanning(true);
		try {
			const { plan, id, revision } = list.kept;
			const task = mendingTask(list, ticks.usedOf);
			const found = (await planOnce(task.task))?.best.useOffcuts.plan ?? { sheets: [], short: [] };
			const next = keptPlanOf(found, task.task.blanks, list.wanted, plan.rules, task.stock, {
				plan,
				sheets: task.begun,
			});
			await sent({ planId: id, revision, glassId: list.glass.id, runIds: list.runIds, plan: next });
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

/** What is left to cut of a plan, from the rests in hand, offcuts and sheets it had not begun, and the stock. */
function mendingTask(list: GlassList & { kept?: CutPlanRow | undefined }, usedOf: (key: string) => number) {
	const { kept, wanted, sheet, stock } = list;
	if (!kept) throw new Error("no plan to mend");
	const so = cutSoFar(kept.plan, usedOf);
	const own = so.untouched.flatMap(({ from, sheet: its }) =>
		from.kind === "offcut" ? [{ ...its, id: from.itemId }] : [],
	);
	// Sheets of this plan that nobody began are as good as on the rack.
	const back = so.untouched.filter(({ from }) => from.kind === "whole" && from.itemId === stock?.itemId).length;
	const itsOwn = so.untouched.find(({ from }) => from.kind === "whole" && from.itemId)?.from;
	const wholes =
		stock ?? (itsOwn?.kind === "whole" && itsOwn.itemId ? { itemId: itsOwn.itemId, amount: 0 } : undefined);
	const amount = stock
		? stock.amount + back
		: so.untouched.filter(({ from }) => from.kind === "whole" && from.itemId).length;
	return {
		begun: so.begun,
		stock: wholes && { itemId: wholes.itemId, amount },
		task: {
			blanks: stillToCut(wanted, kept.plan, so),
			offcuts: [
				...so.rests.map((rest) => ({ ...rest, id: restId(rest.id), inHand: true })),
				...own,
				...list.offcuts.map(({ id, widthMm, heightMm }) => ({ id, widthMm, heightMm })),
			],
			sheet,
			rules: kept.plan.rules,
		} satisfies CutTask,
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
