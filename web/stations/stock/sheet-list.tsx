import type { CutView } from "@contract/cutting";
import { isScored } from "@core/cutting/count";
import { lineKeyOf } from "@core/cutting/glass-lists";
import type { StripProgress } from "@core/cutting/plan/progress";
import { counted } from "@core/units/counted";
import { useFigure } from "../../lib/prefs";
import { sheetName } from "./source-words";
import type { GlassOnBench } from "./use-bench";

interface Props {
	groups: readonly GlassOnBench[];
	view: CutView;
	/** Of the search, 0 to 1. */
	share: number;
	chosen: { glass: string; sheet: number };
	onChoose(glass: string, sheet: number): void;
	doneOf(key: string): number;
}

/** What lies on the bench: every sheet with how far it is cut, then what is weighed and counted out. */
export function SheetList(props: Props) {
	const { groups, view, share, chosen, onChoose, doneOf } = props;
	const { runs, glasses } = view;
	const figure = useFigure();
	const sheets = groups.reduce((total, { figures }) => total + figures.sheets, 0);
	const offcuts = groups.reduce((total, { figures }) => total + figures.offcuts, 0);
	const scores = groups.reduce((total, { figures }) => total + figures.scores, 0);
	const others = runs.flatMap((run) =>
		run.lines.filter((line) => !isScored(line)).map((line) => ({ ...line, runId: run.id })),
	);
	return (
		<section aria-label="Sheets" className="scroll-y border-r border-line py-3 max-lg:order-last max-lg:shrink-0">
			<div className="px-5 pb-2">
				<p className="figure">
					<b className="text-2xl">{sheets}</b> {sheets === 1 ? "sheet" : "sheets"}
					{offcuts > 0 && `, ${counted(offcuts, "offcut")}`}, <b>{scores}</b> scores
				</p>
				{share < 1 && <p className="text-soft">Not all is laid yet.</p>}
			</div>
			<ul>
				{groups.flatMap(({ glass, sheets: its, kept, progress }) =>
					its.map((_, sheet) => {
						const strips = progress.filter((one) => one.sheet === sheet);
						const ready = strips.filter(({ parts, done }) => done >= parts).length;
						const [parts, done] = [sum(strips, "parts"), sum(strips, "done")];
						const isChosen = chosen.glass === glass.id && chosen.sheet === sheet;
						return (
							<li key={`${glass.id} ${sheet}`}>
								<button
									type="button"
									aria-pressed={isChosen}
									className={`flex min-h-14 w-full items-center gap-3 border-t border-l-4 border-t-line py-1.5 pr-5 pl-4 text-left ${isChosen ? "border-l-secondary bg-pick" : "border-l-transparent hover:bg-base-100"}`}
									onClick={() => onChoose(glass.id, sheet)}
								>
									<svg width="34" height="28" aria-hidden="true">
										<rect width="34" height="28" fill={glass.boughtColour} className="stroke-base-content/30" />
									</svg>
									<span className="min-w-0 grow">
										<b className="block truncate">{sheetName(glass.name, sheet, kept?.plan)}</b>
										<span className="figure text-soft">
											{kept ? `${done} of ${parts} cut` : `${parts} parts, only proposed`}
										</span>
									</span>
									<b className={`figure text-lg ${ready === strips.length ? "text-success" : ""}`}>
										{!kept ? "" : ready === strips.length ? "done" : `${ready}/${strips.length}`}
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
