import { leastSheets } from "@core/cutting/plan/figures";
import { CUT_AIMS, type CutAim, type CutProgress } from "@core/cutting/plan/search";
import { counted } from "@core/units/counted";
import { formatMoney } from "../../lib/money";
import { useFigure } from "../../lib/prefs";
import { sizeWords } from "../../ui/size-words";
import type { CutOutlook } from "../../workers/cut.worker";
import type { GlassList } from "./use-bench";

interface Proposal {
	list: GlassList;
	found: CutProgress | undefined;
	outlook: CutOutlook | undefined;
}

interface Props {
	proposals: readonly Proposal[];
	/** Of the search, 0 to 1. */
	share: number;
	aim: CutAim;
	onAim(aim: CutAim): void;
	/** Glass a saw takes at every cut; 0 where it is scored by hand. */
	sawMm: number;
	onSaw(mm: number): void;
	/** Null for who may not see money. */
	currency: string | null;
	nameOf(glassId: string, key: string): string;
	isPending: boolean;
	onBegin(): void;
}

/** Widths of what a blade takes. Common practice, no source. */
const SAWS_MM = [0.8, 1.5, 2, 3] as const;

const AIM_WORDS: Record<CutAim, string> = {
	fewestSheets: "fewest sheets",
	fewestScores: "fewest scores",
	useOffcuts: "use up offcuts",
};

/** Three plans side by side, what each costs, and how few sheets there could be at all. */
export function PlanChoice({
	proposals,
	share,
	aim,
	onAim,
	sawMm,
	onSaw,
	currency,
	nameOf,
	isPending,
	onBegin,
}: Props) {
	const figure = useFigure();
	if (proposals.length === 0) return null;
	const least = proposals.reduce(
		(total, { list, outlook }) => total + (outlook?.least ?? leastSheets(list.wanted, list.sheet)),
		0,
	);
	const savings = proposals.flatMap(({ list, outlook }) =>
		(outlook?.savings ?? []).slice(0, 1).map((one) => ({ ...one, glass: list.glass })),
	);
	const ready = proposals.every(({ found }) => found);
	const columns = CUT_AIMS.map((one) => ({ aim: one, ...totalOf(proposals, one) }));
	const rows: [string, (its: Total) => string][] = [
		["sheets", ({ sheets }) => String(sheets)],
		["offcuts", ({ offcuts }) => String(offcuts)],
		["scores", ({ scores }) => String(scores)],
		["yield", (its) => `${Math.round(its.yield * 100)} %`],
		...(currency ? [["glass", ({ costMinor }: Total) => formatMoney(costMinor, currency)] as const] : []),
	] as [string, (its: Total) => string][];
	return (
		<section aria-label="Plans" className="flex flex-col gap-3">
			<h2 className="text-xl">Which plan to cut by</h2>
			<table className="w-full">
				<thead>
					<tr>
						<td />
						{columns.map((one) => (
							<th key={one.aim} scope="col" className="p-0 pb-1 align-bottom">
								<button
									type="button"
									aria-pressed={one.aim === aim}
									className={`btn h-auto min-h-11 w-full px-1 py-1 leading-tight ${one.aim === aim ? "btn-secondary" : "btn-ghost"}`}
									onClick={() => onAim(one.aim)}
								>
									{AIM_WORDS[one.aim]}
								</button>
							</th>
						))}
					</tr>
				</thead>
				<tbody>
					{rows.map(([word, of], row) => (
						<tr key={word} className="border-t border-line">
							<th scope="row" className="py-1 pr-2 text-left font-normal text-soft">
								{word}
							</th>
							{columns.map((one) => (
								<td
									key={one.aim}
									className={`figure py-1 text-center ${row === 0 ? "text-2xl font-bold" : ""} ${one.aim === aim ? "bg-pick font-semibold" : ""}`}
								>
									{ready ? of(one) : "…"}
								</td>
							))}
						</tr>
					))}
				</tbody>
			</table>
			<p className="text-soft">
				Without offcuts, no plan of strips has fewer than <b className="figure text-base-content">{least}</b>{" "}
				{least === 1 ? "sheet" : "sheets"}.
			</p>
			{share < 1 && (
				<p className="flex items-center gap-2 text-soft" role="status">
					<progress className="progress h-2 w-20" value={share} max={1} aria-label="Search" /> looking for better ones
				</p>
			)}
			<label className="flex items-center gap-3">
				<span className="text-soft">How it is cut</span>
				<select className="select h-11 grow" value={sawMm} onChange={(event) => onSaw(Number(event.target.value))}>
					<option value={0}>scored by hand</option>
					{SAWS_MM.map((mm) => (
						<option key={mm} value={mm}>
							saw, blade {figure({ mm })}
						</option>
					))}
				</select>
			</label>
			<button type="button" className="btn btn-primary h-16 text-lg" disabled={!ready || isPending} onClick={onBegin}>
				Cut by this plan
			</button>
			{proposals.map(({ list, outlook }) => {
				const saving = outlook?.sheetSaving;
				return (
					saving && (
						<p key={list.glass.id}>
							<b>Know:</b> {list.glass.name}, sheets of {sizeWords([saving.widthMm, saving.heightMm], figure)} instead
							of {sizeWords([list.sheet.widthMm, list.sheet.heightMm], figure)}: {figure({ mm2: saving.savedMm2 })} of
							glass less, {Math.round(saving.share * 100)} %.
						</p>
					)
				);
			})}
			{savings.map((one) => (
				<p key={one.glass.id}>
					<b>Know:</b> {one.glass.name}, {nameOf(one.glass.id, one.key)} of {figure({ mm: one.toMm })} instead of{" "}
					{figure({ mm: one.fromMm })}: {counted(one.sheets, "sheet")} less.
				</p>
			))}
		</section>
	);
}

interface Total {
	sheets: number;
	offcuts: number;
	scores: number;
	yield: number;
	/** Of the glass that is used up, rests kept, at the book's prices. */
	costMinor: number;
}

function totalOf(proposals: readonly Proposal[], aim: CutAim): Total {
	const total = { sheets: 0, offcuts: 0, scores: 0, costMinor: 0 };
	let [used, cut] = [0, 0];
	for (const { list, found } of proposals) {
		const figures = found?.best[aim].figures;
		if (!figures) continue;
		const its = figures.takenMm2 - figures.keptMm2;
		total.sheets += figures.sheets;
		total.offcuts += figures.offcuts;
		total.scores += figures.scores;
		total.costMinor += Math.round((its / 1e6) * (list.glass.priceMinor ?? 0));
		used += its;
		cut += figures.cutMm2;
	}
	return { ...total, yield: used > 0 ? cut / used : 1 };
}
