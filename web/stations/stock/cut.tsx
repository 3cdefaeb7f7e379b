import type { CutRun } from "@contract/stock";
import { blanksOf } from "@core/cutting/plan/blanks";
import { leastSheets } from "@core/cutting/plan/figures";
import { nextStripOf, progressOf, type StripProgress } from "@core/cutting/plan/progress";
import type { CutAim, CutTask, FoundPlan } from "@core/cutting/plan/search";
import { type SheetPlan, USUAL_CUT_RULES } from "@core/cutting/plan/types";
import { sizesOf } from "@core/geometry/shape";
import type { Glass } from "@core/glass/glass";
import { groupBy } from "@core/group-by";
import { useMemo, useState } from "react";
import { Caution, Empty } from "../../forms/notice";
import { useFigure } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { OwnCautions } from "../../ui/own-cautions";
import { SHAPE_WORDS } from "../../ui/part-words";
import { NoClass, SessionPicker } from "../../ui/session-picker";
import { sizeWords } from "../../ui/size-words";
import { Tabs } from "../../ui/tabs";
import { CutFiles } from "./cut-files";
import { NowPanel } from "./now-panel";
import { PartsList } from "./parts-list";
import { PlanForm } from "./plan-form";
import { SheetList } from "./sheet-list";
import { SheetMap } from "./sheet-map";
import { useCutPlan } from "./use-cut-plan";
import { lineKeyOf, useTicks } from "./use-ticks";

export default framed("cut", "cut", Cut);

const TABS = [
	{ value: "sheets" as const, label: "Sheets" },
	{ value: "parts" as const, label: "Parts" },
];

/** A class's list as sheets with their scores in order; beside it what is to do now. Or part by part. */
function Cut({ view, frame }: StationProps<"cut">) {
	const { session, runs } = view;
	const [tab, setTab] = useState<"sheets" | "parts">("sheets");
	if (!session) return <NoClass title="No class to cut for" />;
	const left = runs
		.flatMap(({ lines }) => lines)
		.reduce((sum, line) => sum + Math.max(0, line.needed + line.spares - line.done), 0);
	return (
		<div className="flex h-full min-h-0 flex-col">
			<div className="flex items-center justify-between gap-4 border-b border-line px-5">
				<span className="flex items-center gap-6">
					<Tabs<"sheets" | "parts"> label="How it is shown" className="gap-5" tabs={TABS} open={tab} onOpen={setTab} />
					<SessionPicker sessions={view.sessions} session={session} path="/cut" />
				</span>
				<p className="text-right whitespace-nowrap">
					<b className="figure text-2xl">{left}</b>{" "}
					<span className="text-soft">{left === 1 ? "cut" : "cuts"} still to do, spares counted</span>
				</p>
			</div>
			{tab === "parts" || runs.length === 0 ? (
				<Parts view={view} sessionId={session.id} frame={frame} />
			) : (
				<Sheets runs={runs} glasses={view.glasses} frame={frame} />
			)}
		</div>
	);
}

function Parts({
	view,
	sessionId,
	frame,
}: {
	view: StationProps<"cut">["view"];
	sessionId: string;
	frame: StationProps<"cut">["frame"];
}) {
	const { spares } = frame.customs;
	return (
		<div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_300px] max-lg:block max-lg:overflow-y-auto">
			<section aria-label="Parts" className="scroll-y px-6 pb-4">
				{view.runs.length === 0 && (
					<Empty title="Nothing planned for this class">
						Choose a kit on the right and say how many: the list counts parts and spares for you.
					</Empty>
				)}
				<PartsList runs={view.runs} glasses={view.glasses} />
			</section>
			<section aria-label="Plan" className="scroll-y border-l border-line px-5 py-4">
				<PlanForm key={sessionId} view={view} sessionId={sessionId} />
				<div className="mt-6 flex flex-col gap-2">
					<p className="text-soft">
						Spares: {Math.round(spares.share * 100)} % more, at least {spares.least} of each small cut.{" "}
						<a className="underline" href="/settings">
							Settings
						</a>
					</p>
					<Cautions />
				</div>
			</section>
		</div>
	);
}

const Cautions = () => (
	<div className="flex flex-col gap-2">
		<Caution>Eye protection when cutting; no fingers along edges. Pits stop the wheel: lift it over and go on.</Caution>
		<OwnCautions station="cut" />
	</div>
);

/** Every glass of the list with its task: what is asked of it, and which line each blank is of. */
function useTasks(runs: readonly CutRun[], glasses: readonly Glass[], sheet: CutTask["sheet"]) {
	return useMemo(() => {
		const lines = runs.flatMap(({ id, lines: its }) => its.map((line) => ({ ...line, runId: id })));
		const sheets = lines.filter(({ kind, shape }) => kind === "sheet" && shape);
		return [...groupBy(sheets, ({ glassId }) => glassId).entries()].flatMap(([glassId, its]) => {
			const glass = glasses.find(({ id }) => id === glassId);
			if (!glass) return [];
			const blanks = blanksOf(its, glass.directed, (line) => lineKeyOf(line.runId, line.key));
			return [{ glass, lines: its, task: { blanks, offcuts: [], sheet, rules: USUAL_CUT_RULES } satisfies CutTask }];
		});
	}, [runs, glasses, sheet]);
}

function Sheets({
	runs,
	glasses,
	frame,
}: {
	runs: readonly CutRun[];
	glasses: readonly Glass[];
	frame: StationProps<"cut">["frame"];
}) {
	const figure = useFigure();
	const { sheet } = frame.customs;
	const tasks = useTasks(runs, glasses, sheet);
	const { plans, share } = useCutPlan(tasks.map(({ task }) => task));
	const ticks = useTicks(runs);
	const [aim, setAim] = useState<CutAim>("fewestSheets");
	const [picked, setPicked] = useState<{ glass: number; sheet: number; strip?: number }>();
	const groups = tasks.flatMap(({ glass, task, lines }, i) => {
		const found = plans[i]?.best[aim];
		if (!found) return [];
		return [{ index: i, glass, task, lines, found, progress: progressOf(found.plan, task.blanks, ticks.doneOf) }];
	});
	const firstOpen = groups.find(({ progress }) => nextStripOf(progress));
	const group = groups.find(({ index }) => index === picked?.glass) ?? firstOpen ?? groups[0];
	const next = group && nextStripOf(group.progress);
	const at = picked?.glass === group?.index && picked ? picked.sheet : (next?.sheet ?? 0);
	const plan = group?.found.plan.sheets[at];
	const its = group?.progress.filter((one) => one.sheet === at) ?? [];
	const open = nextStripOf(its);
	const strip = picked?.strip ?? open?.strip ?? -1;
	const nameOf = (key: string): string => {
		const line = group?.lines.find((one) => lineKeyOf(one.runId, one.key) === key);
		return line?.shape ? `${SHAPE_WORDS[line.shape.kind]} ${sizeWords(sizesOf(line.shape), figure)}` : "part";
	};
	const short = group?.found.plan.short.reduce((sum, n) => sum + n, 0) ?? 0;
	return (
		<div className="grid min-h-0 grow grid-cols-[250px_minmax(0,1fr)_310px] max-lg:flex max-lg:flex-col max-lg:overflow-y-auto">
			<SheetList
				groups={groups}
				runs={runs}
				glasses={glasses}
				share={share}
				aim={aim}
				onAim={setAim}
				chosen={{ glass: group?.index ?? -1, sheet: at }}
				onChoose={(glass, one) => setPicked({ glass, sheet: one })}
				doneOf={ticks.doneOf}
			/>
			<section aria-label="Sheet" className="flex min-h-0 flex-col gap-2 px-5 py-3 max-lg:shrink-0">
				{short > 0 && (
					<p className="font-semibold text-warning">
						{short} {short === 1 ? "part is" : "parts are"} larger than a sheet, or would leave a sliver that cannot be
						broken off. Change the part or the sheet’s size in the settings.
					</p>
				)}
				{group && plan ? (
					<TheSheet
						{...group}
						plan={plan}
						number={at + 1}
						progress={its}
						now={strip}
						onStrip={(one) => setPicked({ glass: group.index, sheet: at, strip: one })}
					/>
				) : (
					short === 0 && <NoSheet isSearching={share < 1} />
				)}
			</section>
			<section
				aria-label="Do"
				className="scroll-y flex flex-col gap-4 border-l border-line px-5 py-3 max-lg:order-first max-lg:shrink-0 max-lg:border-b max-lg:border-l-0"
			>
				{group && plan && strip >= 0 && its[strip] ? (
					<NowPanel
						key={`${group.index} ${at} ${strip}`}
						plan={plan}
						blanks={group.task.blanks}
						progress={its[strip]}
						strip={strip}
						ticks={ticks}
						nameOf={nameOf}
						onDone={() => setPicked({ glass: group.index, sheet: at })}
					/>
				) : (
					group && <p className="text-2xl font-bold text-success">This sheet is cut.</p>
				)}
				<Cautions />
			</section>
		</div>
	);
}

interface SheetProps {
	glass: Glass;
	task: CutTask;
	found: FoundPlan;
	plan: SheetPlan;
	number: number;
	progress: readonly StripProgress[];
	now: number;
	onStrip(strip: number): void;
}

/** One sheet to scale, how good its plan is, and its scores to take away. */
function TheSheet({ glass, task, found, plan, number, progress, now, onStrip }: SheetProps) {
	const figure = useFigure();
	const { figures } = found;
	const least = leastSheets(task.blanks, task.sheet);
	const title = `${glass.name}, sheet ${number}`;
	return (
		<>
			<div className="flex items-baseline justify-between gap-4">
				<h1>{title}</h1>
				<p className="figure text-soft">
					{sizeWords([plan.sheet.widthMm, plan.sheet.heightMm], figure)} · yield{" "}
					<b className="text-base-content">{Math.round(figures.yield * 100)} %</b> ·{" "}
					{figures.sheets <= least
						? "the fewest sheets there can be"
						: `${figures.sheets} sheets, by area at least ${least}`}
				</p>
			</div>
			<div className="flex items-center justify-between gap-4">
				<p className="text-soft">
					{plan.turned
						? "Turn the sheet by a quarter: its height lies from left to right."
						: "As it lies: its width from left to right."}
				</p>
				<CutFiles plan={plan} blanks={task.blanks} title={title} />
			</div>
			<div className="min-h-0 grow max-lg:h-[60vh]">
				<SheetMap plan={plan} progress={progress} now={now} rules={task.rules} glass={glass} onStrip={onStrip} />
			</div>
		</>
	);
}

const NoSheet = ({ isSearching }: { isSearching: boolean }) => (
	<Empty title={isSearching ? "Laying the parts on sheets …" : "No sheet glass in this list"}>
		{isSearching
			? "The first plan comes at once, better ones replace it."
			: "What is to be weighed and counted stands under Parts."}
	</Empty>
);
