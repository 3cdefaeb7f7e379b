import type { CutRun } from "@contract/stock";
import type { StripProgress } from "@core/cutting/plan/progress";
import { CUT_AIMS, type CutAim, type FoundPlan } from "@core/cutting/plan/search";
import type { Glass } from "@core/glass/glass";
import { useFigure } from "../../lib/prefs";
import { lineKeyOf } from "./use-ticks";

interface Group {
	index: number;
	glass: Glass;
	found: FoundPlan;
	progress: readonly StripProgress[];
}

interface Props {
	groups: readonly Group[];
	runs: readonly CutRun[];
	glasses: readonly Glass[];
	/** Of the search, 0 to 1. */
	share: number;
	aim: CutAim;
	onAim(aim: CutAim): void;
	chosen: { glass: number; sheet: number };
	onChoose(glass: number, sheet: number): void;
	doneOf(key: string): number;
}

const AIM_WORDS: Record<CutAim, string> = {
	fewestSheets: "fewest sheets",
	fewestScores: "fewest scores",
	useOffcuts: "use up rests",
};

/** What lies on the bench: every sheet with how far it is cut, then what is weighed and counted out. */
export function SheetList(props: Props) {
	const { groups, runs, glasses, share, aim, onAim, chosen, onChoose, doneOf } = props;
	const figure = useFigure();
	const sheets = groups.reduce((total, { found }) => total + found.figures.sheets, 0);
	const scores = groups.reduce((total, { found }) => total + found.figures.scores, 0);
	const others = runs.flatMap((run) =>
		run.lines.filter(({ kind }) => kind !== "sheet").map((line) => ({ ...line, runId: run.id })),
	);
	return (
		<section aria-label="Sheets" className="scroll-y border-r border-line py-3 max-lg:order-last max-lg:shrink-0">
			<div className="px-5 pb-2">
				<p className="figure">
					<b className="text-2xl">{sheets}</b> {sheets === 1 ? "sheet" : "sheets"}, <b>{scores}</b> scores
				</p>
				<div role="group" aria-label="What the plan is for" className="join mt-1">
					{CUT_AIMS.filter((one) => one !== "useOffcuts").map((one) => (
						<button
							key={one}
							type="button"
							aria-pressed={one === aim}
							className={`btn btn-sm join-item max-lg:h-11 ${one === aim ? "btn-secondary" : ""}`}
							onClick={() => onAim(one)}
						>
							{AIM_WORDS[one]}
						</button>
					))}
				</div>
				{share < 1 && (
					<p className="mt-1 flex items-center gap-2 text-soft" role="status">
						<progress className="progress h-2 w-20" value={share} max={1} aria-label="Search" /> looking for better ones
					</p>
				)}
			</div>
			<ul>
				{groups.flatMap(({ index, glass, found, progress }) =>
					found.plan.sheets.map((_, sheet) => {
						const strips = progress.filter((one) => one.sheet === sheet);
						const ready = strips.filter(({ parts, done }) => done >= parts).length;
						const [parts, done] = [sum(strips, "parts"), sum(strips, "done")];
						const isChosen = chosen.glass === index && chosen.sheet === sheet;
						return (
							<li key={`${glass.id} ${sheet}`}>
								<button
									type="button"
									aria-pressed={isChosen}
									className={`flex min-h-14 w-full items-center gap-3 border-t border-l-4 border-t-line py-1.5 pr-5 pl-4 text-left ${isChosen ? "border-l-secondary bg-pick" : "border-l-transparent hover:bg-base-100"}`}
									onClick={() => onChoose(index, sheet)}
								>
									<svg width="34" height="28" aria-hidden="true">
										<rect width="34" height="28" fill={glass.boughtColour} className="stroke-base-content/30" />
									</svg>
									<span className="min-w-0 grow">
										<b className="block truncate">
											{glass.name}, sheet {sheet + 1}
										</b>
										<span className="figure text-soft">
											{done} of {parts} cut
										</span>
									</span>
									<b className={`figure text-lg ${ready === strips.length ? "text-success" : ""}`}>
										{ready === strips.length ? "done" : `${ready}/${strips.length}`}
									</b>
								</button>
							</li>
						);
					}),
				)}
			</ul>
			{others.length > 0 && (
				<div className="mt-4 px-5">
					<h2>To weigh and count out</h2>
					<ul className="ruled">
						{others.map((line) => (
							<li key={lineKeyOf(line.runId, line.key)} className="flex justify-between gap-2 py-1">
								<span className="truncate">
									{glasses.find(({ id }) => id === line.glassId)?.name ?? line.stuff}
									{line.amount && <span className="text-soft"> {figure(line.amount)}</span>}
								</span>
								<span className="figure whitespace-nowrap">
									<b>{doneOf(lineKeyOf(line.runId, line.key))}</b> of {line.needed + line.spares}
								</span>
							</li>
						))}
					</ul>
				</div>
			)}
		</section>
	);
}

const sum = (strips: readonly StripProgress[], what: "parts" | "done"): number =>
	strips.reduce((total, one) => total + one[what], 0);
