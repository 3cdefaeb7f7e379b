import type { CutView } from "@contract/cutting";
import { lineKeyOf } from "@core/cutting/glass-lists";
import { nextStripOf } from "@core/cutting/plan/progress";
import type { CutAim } from "@core/cutting/plan/search";
import { USUAL_CUT_RULES } from "@core/cutting/plan/types";
import { sizesOf } from "@core/geometry/shape";
import { counted } from "@core/units/counted";
import { useMemo, useState } from "react";
import { Empty, Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { SHAPE_WORDS } from "../../ui/part-words";
import { sizeWords } from "../../ui/size-words";
import { ClearSheet } from "./clear-sheet";
import { CutCautions } from "./cut-cautions";
import { CutFiles } from "./cut-files";
import { NowPanel } from "./now-panel";
import { OldKits } from "./old-kits";
import { PlanChoice } from "./plan-choice";
import { SheetList } from "./sheet-list";
import { SheetMap } from "./sheet-map";
import { sheetName, sourceWords } from "./source-words";
import { type GlassOnBench, useBench, useMending, usePlanKeeping } from "./use-bench";
import { useTicks } from "./use-ticks";

/** A class's list as sheets with their scores in order; beside it what is to do now, or which plan to cut by. */
export function Sheets({ view, usual }: { view: CutView; usual: { widthMm: number; heightMm: number } }) {
	const figure = useFigure();
	const ticks = useTicks(view.runs);
	const keeping = usePlanKeeping(ticks);
	const [aim, setAim] = useState<CutAim>("fewestSheets");
	const [sawMm, setSawMm] = useState(0);
	const rules = useMemo(() => ({ ...USUAL_CUT_RULES, kerfMm: sawMm }), [sawMm]);
	const { groups, proposals, share } = useBench(view, usual, ticks, aim, rules);
	useMending(groups, keeping, ticks.isPending);
	const [picked, setPicked] = useState<{ glass: string; sheet: number; strip?: number }>();
	const firstOpen =
		groups.find(({ kept, progress }) => kept && nextStripOf(progress)) ?? groups.find(({ kept }) => !kept);
	const group = groups.find(({ glass }) => glass.id === picked?.glass) ?? firstOpen ?? groups[0];
	const isPicked = group !== undefined && picked?.glass === group.glass.id;
	const next = group && nextStripOf(group.progress);
	const at = isPicked ? Math.min(picked.sheet, group.sheets.length - 1) : (next?.sheet ?? 0);
	const plan = group?.sheets[at];
	const its = group?.progress.filter((one) => one.sheet === at) ?? [];
	const open = nextStripOf(its);
	const strip = group?.kept ? ((isPicked ? picked.strip : undefined) ?? open?.strip ?? -1) : -1;
	const nameOf = (key: string): string => {
		const line = group?.lines.find((one) => lineKeyOf(one.runId, one.key) === key);
		return line?.shape ? `${SHAPE_WORDS[line.shape.kind]} ${sizeWords(sizesOf(line.shape), figure)}` : "part";
	};
	const short = groups.reduce((total, one) => total + one.short, 0);
	const tooLarge = groups.find((one) => one.short > 0);
	return (
		<div className="grid min-h-0 grow grid-cols-[250px_minmax(0,1fr)_320px] max-lg:flex max-lg:flex-col max-lg:overflow-y-auto">
			<SheetList
				groups={groups}
				view={view}
				share={share}
				chosen={{ glass: group?.glass.id ?? "", sheet: at }}
				onChoose={(glass, sheet) => setPicked({ glass, sheet })}
				doneOf={ticks.doneOf}
			/>
			<section aria-label="Sheet" className="flex min-h-0 flex-col gap-2 px-5 py-3 max-lg:shrink-0">
				<OldKits runs={view.runs} />
				{tooLarge && (
					<p className="font-semibold text-warning">
						{counted(short, "part is", "parts are")} larger than a sheet of {tooLarge.glass.name} (
						{sizeWords([tooLarge.sheet.widthMm, tooLarge.sheet.heightMm], figure)}), or would leave a sliver that cannot
						be broken off. Change the part at Kits, or write a larger sheet into the stock. All else is planned.
					</p>
				)}
				{group?.isStale && !keeping.isPending && (
					<p className="flex items-center justify-between gap-3 font-semibold text-warning">
						The list was changed, or something broke, since this was planned.
						<button type="button" className="btn btn-sm max-lg:h-11" onClick={() => void keeping.mend(group)}>
							Plan the rest again
						</button>
					</p>
				)}
				{group && plan ? (
					<TheSheet
						group={group}
						number={at + 1}
						now={strip}
						view={view}
						onStrip={(one) => setPicked({ glass: group.glass.id, sheet: at, strip: one })}
					/>
				) : (
					short === 0 && <NoSheet isSearching={share < 1} />
				)}
			</section>
			<section
				aria-label="Do"
				className="scroll-y flex flex-col gap-4 border-l border-line px-5 py-3 max-lg:order-first max-lg:shrink-0 max-lg:border-b max-lg:border-l-0"
			>
				{group?.kept && plan ? (
					strip >= 0 && its[strip] ? (
						<NowPanel
							key={`${group.glass.id} ${at} ${strip}`}
							plan={plan}
							blanks={group.blanks}
							progress={its[strip]}
							strip={strip}
							ticks={ticks}
							nameOf={nameOf}
							onDone={() => setPicked({ glass: group.glass.id, sheet: at })}
							onBroke={() => keeping.mendOnce(group.glass.id)}
							isMending={keeping.isPending}
							isSawn={group.rules.kerfMm > 0}
						/>
					) : (
						<ClearSheet
							key={`${group.kept.id} ${at}`}
							row={group.kept}
							at={at}
							usedOf={ticks.usedOf}
							onDone={() => setPicked(undefined)}
						/>
					)
				) : (
					<PlanChoice
						proposals={proposals}
						share={share}
						aim={aim}
						onAim={setAim}
						sawMm={sawMm}
						onSaw={setSawMm}
						currency={view.currency}
						nameOf={(glassId, key) => {
							const line = proposals
								.find(({ list }) => list.glass.id === glassId)
								?.list.lines.find((one) => lineKeyOf(one.runId, one.key) === key);
							return line?.shape ? SHAPE_WORDS[line.shape.kind] : "part";
						}}
						isPending={keeping.isPending}
						onBegin={async () => {
							for (const { list, found } of proposals) {
								const plan = found?.best[aim].plan;
								if (plan && plan.sheets.length > 0 && !(await keeping.begin(list, plan, rules))) return;
							}
							setPicked(undefined);
						}}
					/>
				)}
				<Trouble error={keeping.error} />
				{group?.kept && group.progress.every(({ done }) => done === 0) && <DropPlan planId={group.kept.id} />}
				<CutCautions />
			</section>
		</div>
	);
}

interface SheetProps {
	group: GlassOnBench;
	number: number;
	now: number;
	view: CutView;
	onStrip(strip: number): void;
}

/** One sheet to scale, how good its plan is, and its scores to take away. */
function TheSheet({ group, number, now, view, onStrip }: SheetProps) {
	const figure = useFigure();
	const { glass, sheets, blanks, figures, least, kept, rules } = group;
	const plan = sheets[number - 1];
	if (!plan) return null;
	const from = kept?.plan.sheets[number - 1]?.from;
	const title = sheetName(glass.name, number - 1, kept?.plan);
	const goesOn = kept?.plan.sheets.some((one) => one.from.kind === "rest" && one.from.of === number - 1) ?? false;
	return (
		<>
			<div className="flex items-baseline justify-between gap-4">
				<h1>{title}</h1>
				<p className="figure text-soft">
					{sizeWords([plan.sheet.widthMm, plan.sheet.heightMm], figure)} · yield{" "}
					<b className="text-base-content">{Math.round(figures.yield * 100)} %</b> ·{" "}
					{figures.sheets <= least
						? "the fewest sheets there can be"
						: `${counted(figures.sheets, "sheet")}, never fewer than ${least}`}
				</p>
			</div>
			<div className="flex items-center justify-between gap-4">
				<p className="text-soft">
					{sourceWords(plan, from, view.stock)}{" "}
					{plan.turned
						? "Turn it by a quarter: its height lies from left to right."
						: "As it lies: its width from left to right."}
				</p>
				<CutFiles
					plan={plan}
					blanks={blanks}
					title={title}
					kerfMm={rules.kerfMm}
					planId={kept?.id}
					sheet={number - 1}
				/>
			</div>
			<div className="min-h-0 grow max-lg:h-[60vh]">
				<SheetMap
					plan={plan}
					progress={group.progress.filter((one) => one.sheet === number - 1)}
					now={now}
					blanks={blanks}
					rules={rules}
					glass={glass}
					goesOn={goesOn}
					onStrip={onStrip}
				/>
			</div>
		</>
	);
}

function DropPlan({ planId }: { planId: string }) {
	const drop = useAct("dropCutPlan");
	return (
		<div>
			<button
				type="button"
				className="btn btn-ghost btn-sm max-lg:h-11"
				disabled={drop.isPending}
				onClick={() => drop.mutate({ planId })}
			>
				Do not cut by this plan: its glass goes back
			</button>
			<Trouble error={drop.error} />
		</div>
	);
}

const NoSheet = ({ isSearching }: { isSearching: boolean }) => (
	<Empty title={isSearching ? "Laying the parts on sheets …" : "No sheet glass in this list"}>
		{isSearching
			? "The first plan comes at once, better ones replace it."
			: "What is to be weighed and counted stands under Parts."}
	</Empty>
);
