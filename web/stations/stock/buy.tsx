import type { ShoppingView } from "@contract/stock";
import { counted } from "@core/units/counted";
import { help } from "../../help/shopping";
import { formatMoney } from "../../lib/money";
import { useFigure } from "../../lib/prefs";
import { saveFile } from "../../lib/save-file";
import { framed, type StationProps } from "../../ui/frame/framed";
import { NoClass } from "../../ui/session-picker";
import { CutTabs } from "./cut-tabs";
import { amountWords, itemName, itemSize, KIND_WORDS } from "./stock-words";
import { TogetherPicker } from "./together-picker";

export default framed("shopping", "cut", help, Buy);

/** What is missing for a class, in whole buying units, and what its glass costs. */
function Buy({ view }: StationProps<"shopping">) {
	const { session, lines, currency } = view;
	if (!session) return <NoClass title="No class to buy for" />;
	const total = lines.reduce((sum, { costMinor }) => sum + (costMinor ?? 0), 0);
	const unknown = lines.filter(({ costMinor }) => costMinor === null).length;
	return (
		<div className="flex h-full min-h-0 flex-col">
			<div className="flex items-center justify-between gap-4 border-b border-line px-5 max-lg:flex-wrap max-lg:gap-y-0">
				<span className="flex items-center gap-6 max-lg:flex-wrap max-lg:gap-y-1">
					<CutTabs open="buy" sessionId={session.id} />
					<TogetherPicker view={view} session={session} path="/cut/buy" />
				</span>
				<Files view={view} query={pathQuery(view)} />
			</div>
			<div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_380px] max-lg:block max-lg:overflow-y-auto">
				<section aria-label="To buy" className="scroll-y px-6 py-3">
					<p className="mb-2">
						<b className={`figure text-5xl ${lines.length > 0 ? "" : "text-success"}`}>{lines.length}</b>{" "}
						<span className="text-lg text-soft">
							{lines.length === 1 ? "thing to buy" : "things to buy"}
							{currency &&
								lines.length > 0 &&
								`, ${formatMoney(total, currency)}${unknown > 0 ? ` and ${unknown} without a price` : ""}`}
						</span>
					</p>
					{lines.length === 0 && (
						<p className="text-soft">Everything for this class is there, and nothing has run low.</p>
					)}
					<ul className="ruled">
						{lines.map((line) => (
							<BuyRow
								key={`${line.kind} ${line.glassId} ${line.name} ${line.sizeMm} ${line.widthMm}`}
								line={line}
								view={view}
							/>
						))}
					</ul>
				</section>
				<Costs view={view} />
			</div>
		</div>
	);
}

const pathQuery = ({ session, together }: ShoppingView): string =>
	`session=${session?.id ?? ""}${together.length > 0 ? `&also=${together.join(",")}` : ""}`;

function BuyRow({ line, view }: { line: ShoppingView["lines"][number]; view: ShoppingView }) {
	const figure = useFigure();
	const glass = view.glasses.find(({ id }) => id === line.glassId);
	const words = (amount: number) => amountWords(Math.round(amount * 10) / 10, line.kind, figure);
	return (
		<li className="grid grid-cols-[30px_minmax(0,1.4fr)_minmax(0,1.2fr)_130px] items-center gap-4 py-2">
			<svg width="28" height="28" aria-hidden="true">
				<rect width="28" height="28" fill={glass?.boughtColour ?? "none"} className="stroke-base-content/40" />
			</svg>
			<span className="min-w-0">
				<b className="block truncate text-[15px]">{itemName(line, view.glasses)}</b>
				<span className="text-soft">{[KIND_WORDS[line.kind], itemSize(line, figure)].filter(Boolean).join(", ")}</span>
			</span>
			<span className="text-soft">
				{line.isLow ? "has run low" : `${words(line.amount)} wanted`}, {words(line.have)} there
				{line.supplier && <span className="block truncate">{line.supplier}</span>}
			</span>
			<span className="text-right">
				<b className="figure text-2xl">{line.units}</b>
				<span className="text-soft">{line.unitAmount === 1 ? "" : ` × ${words(line.unitAmount)}`}</span>
				{view.currency && line.costMinor !== null && (
					<span className="figure block text-soft">{formatMoney(line.costMinor, view.currency)}</span>
				)}
			</span>
		</li>
	);
}

/** The sheet glass of the plans: how much of each, how much of it is waste, what it comes to a kit and a student. */
function Costs({ view }: { view: ShoppingView }) {
	const { sheets, costs, currency, glasses } = view;
	return (
		<section aria-label="Glass of the plans" className="scroll-y border-l border-line px-5 py-3 max-lg:border-l-0">
			<h2>Sheet glass by the plans</h2>
			{sheets.length === 0 && <p className="text-soft">No sheet glass is on this list.</p>}
			<ul className="ruled">
				{sheets.map((one) => (
					<li key={one.glassId} className="flex items-baseline justify-between gap-3 py-1.5">
						<span className="min-w-0">
							<b>{glasses.find(({ id }) => id === one.glassId)?.name ?? one.glassId}</b>
							<span className="block text-soft">
								{counted(one.sheets, "sheet")}
								{one.offcuts > 0 && `, ${counted(one.offcuts, "offcut")}`}, {Math.round((1 - one.yield) * 100)} % waste
							</span>
						</span>
						{currency && one.costMinor !== null && (
							<span className="figure">{formatMoney(one.costMinor, currency)}</span>
						)}
					</li>
				))}
			</ul>
			{currency && costs && <KitCosts costs={costs} currency={currency} alone={view.together.length === 0} />}
			<p className="mt-2 text-soft">
				Sheets that are used up, rests that are kept left out, at the prices of the glass book; all else at the stock’s.
			</p>
		</section>
	);
}

/** One kit, one student, the class; then each kit by itself. */
function KitCosts(props: { costs: NonNullable<ShoppingView["costs"]>; currency: string; alone: boolean }) {
	const { costs, currency, alone } = props;
	const { lists, totalMinor, wasteShare, unpriced, names, students } = costs;
	const kits = lists.reduce((sum, one) => sum + one.kits, 0);
	if (kits === 0) return null;
	const money = (minor: number) => formatMoney(Math.round(minor), currency);
	return (
		<div className="mt-3 flex flex-col gap-1">
			<p>
				<b className="figure text-3xl">{money(totalMinor / kits)}</b> <span className="text-soft">a kit</span>
			</p>
			<p className="text-soft">
				<b className="figure text-base-content">{money(totalMinor)}</b> for {counted(kits, "kit")}
				{alone && students > 0 && (
					<>
						, <b className="figure text-base-content">{money(totalMinor / students)}</b> a student of {students}
					</>
				)}
				; {Math.round(wasteShare * 100)} % of what the sheets cost is waste
			</p>
			<ul className="ruled">
				{lists.map(({ runId, kits: its, sheetMinor, otherMinor, kitMinor }) => (
					<li key={runId} className="flex items-baseline justify-between gap-3 py-1.5">
						<span className="min-w-0">
							<b>{names[runId]}</b>
							<span className="block text-soft">
								{its} of it: sheet {money(sheetMinor)}, all else {money(otherMinor)}
							</span>
						</span>
						<span className="figure">{money(kitMinor)} each</span>
					</li>
				))}
			</ul>
			{unpriced.length > 0 && <p className="text-warning">{unpriced.length} things have no price and are left out.</p>}
		</div>
	);
}

function Files({ view, query }: { view: ShoppingView; query: string }) {
	return (
		<span className="flex items-center gap-2 py-1">
			<button
				type="button"
				className="btn"
				onClick={() =>
					void import("@formats/shopping-csv").then(({ shoppingCsv }) =>
						saveFile(shoppingCsv(view.lines, view.glasses, view.currency), "to-buy.csv", "text/csv"),
					)
				}
			>
				CSV
			</button>
			<a className="btn" href={`/api/shopping.pdf?${query}`} download>
				PDF
			</a>
		</span>
	);
}
