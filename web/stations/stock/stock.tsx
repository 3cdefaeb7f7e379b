import type { StockRow } from "@contract/stock";
import { hasSides, STOCK_KINDS } from "@core/stock/kinds";
import { useState } from "react";
import { Empty } from "../../forms/notice";
import { help } from "../../help/stock";
import { useFigure } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { OwnCautions } from "../../ui/own-cautions";
import { AwayToggle } from "../../ui/put-away";
import { CutTabs } from "./cut-tabs";
import { newItem, StockForm } from "./stock-form";
import { StockPanel } from "./stock-panel";
import { StockTake } from "./stock-take";
import { amountWords, isLow, itemName, itemSize, KIND_HEADS } from "./stock-words";

export default framed("stock", "cut", help, Stock);

type Open = { what: "item"; id: string } | { what: "new"; item: StockRow } | { what: "count" };

/** What there is: every rack and drawer with how much is on it; beside it what is open, and what was moved last. */
function Stock({ view, frame }: StationProps<"stock">) {
	const [open, setOpen] = useState<Open>();
	const [find, setFind] = useState("");
	const [away, setAway] = useState(false);
	const mayEdit = frame.person.role === "instructor";
	const figure = useFigure();
	const wanted = find.trim().toLowerCase();
	const words = (item: StockRow) =>
		`${itemName(item, view.glasses)} ${item.place} ${itemSize(item, figure)}`.toLowerCase();
	const inUse = view.items.filter(({ retired }) => !retired);
	const listed = (away ? view.items : inUse).filter((item) => words(item).includes(wanted));
	const chosen = open?.what === "item" ? view.items.find(({ id }) => id === open.id) : undefined;
	const begin = (kind: StockRow["kind"]) => setOpen({ what: "new", item: newItem(kind) });
	return (
		<div className="flex h-full min-h-0 flex-col">
			<div className="flex items-center justify-between gap-4 border-b border-line px-5 max-lg:flex-wrap max-lg:gap-y-0">
				<CutTabs open="stock" />
				<span className="flex items-center gap-2 py-1 max-lg:flex-wrap">
					<input
						type="search"
						aria-label="Find in the stock"
						placeholder="find"
						className="input h-11 w-44"
						value={find}
						onChange={(event) => setFind(event.target.value)}
					/>
					<AwayToggle count={view.items.length - inUse.length} shown={away} onShow={setAway} />
					<button type="button" className="btn" onClick={() => setOpen({ what: "count" })}>
						Count the shelves
					</button>
					<button type="button" className="btn" onClick={() => begin("offcut")}>
						Glass came back
					</button>
					{mayEdit && (
						<button type="button" className="btn btn-primary" onClick={() => begin("sheet")}>
							Add to the stock
						</button>
					)}
				</span>
			</div>
			{open?.what === "count" ? (
				<StockTake items={inUse} glasses={view.glasses} onDone={() => setOpen(undefined)} />
			) : (
				<div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_380px] max-lg:block max-lg:overflow-y-auto">
					<section aria-label="Stock" className="scroll-y px-6 py-3">
						{view.items.length === 0 && (
							<Empty title="Nothing is written down yet">
								Write down sheets, frit and threads: plans then use up offcuts first, and say what has to be bought.
							</Empty>
						)}
						{view.items.length > 0 && listed.length === 0 && <p className="py-4 text-soft">Nothing is called that.</p>}
						{STOCK_KINDS.map((kind) => ({ kind, items: listed.filter((item) => item.kind === kind) }))
							.filter(({ items }) => items.length > 0)
							.map(({ kind, items }) => (
								<div key={kind} className="mb-4">
									<h2 className="py-1">{KIND_HEADS[kind]}</h2>
									<ul className="ruled">
										{items.map((item) => (
											<StockLine
												key={item.id}
												item={item}
												view={view}
												isOpen={chosen?.id === item.id}
												onOpen={() => setOpen({ what: "item", id: item.id })}
											/>
										))}
									</ul>
								</div>
							))}
					</section>
					<section aria-label="Open" className="scroll-y border-l border-line px-5 py-4 max-lg:border-l-0">
						{open?.what === "new" ? (
							<StockForm
								key={open.item.id}
								item={open.item}
								view={view}
								mayEdit={mayEdit}
								onDone={(id) => setOpen({ what: "item", id })}
							/>
						) : chosen ? (
							<StockPanel
								key={chosen.id}
								item={chosen}
								view={view}
								mayEdit={mayEdit}
								onGone={() => setOpen(undefined)}
							/>
						) : (
							<Newest view={view} onOpen={(id) => setOpen({ what: "item", id })} />
						)}
						<div className="mt-6">
							<OwnCautions station="cut" />
						</div>
					</section>
				</div>
			)}
		</div>
	);
}

/** One line: what it is and where, and how much as the largest figure. */
function StockLine(props: { item: StockRow; view: StationProps<"stock">["view"]; isOpen: boolean; onOpen(): void }) {
	const { item, view, isOpen, onOpen } = props;
	const figure = useFigure();
	const glass = view.glasses.find(({ id }) => id === item.glassId);
	const low = isLow(item);
	return (
		<li>
			<button
				type="button"
				aria-pressed={isOpen}
				className={`grid min-h-14 w-full grid-cols-[76px_minmax(0,1.6fr)_1fr_1fr_auto] items-center gap-4 py-1.5 pr-2 text-left ${isOpen ? "bg-pick" : "hover:bg-base-100"}`}
				onClick={onOpen}
			>
				<ItemDrawing item={item} colour={glass?.boughtColour ?? "#d8d4c8"} />
				<span className="min-w-0">
					<b className="block truncate text-[15px]">{itemName(item, view.glasses)}</b>
					<span className="text-soft">
						{glass && `family ${glass.familyId}`}
						{item.retired && ", put away"}
					</span>
				</span>
				<span className="figure">{itemSize(item, figure)}</span>
				<span className="truncate text-soft">{item.place}</span>
				<span className="w-28 text-right">
					<b className={`figure text-2xl ${low ? "text-warning" : ""}`}>
						{amountWords(item.amount, item.kind, figure)}
					</b>
					{low && <span className="block font-semibold text-warning">low, buy at {item.low}</span>}
				</span>
			</button>
		</li>
	);
}

/** One scale for all: 76 px are 700 mm. */
const PX_PER_MM = 72 / 700;

function ItemDrawing({ item, colour }: { item: StockRow; colour: string }) {
	const [w, h] = hasSides(item.kind) || item.kind === "apart" ? [item.widthMm ?? 0, item.heightMm ?? 0] : [0, 0];
	const [width, height] = [Math.max(3, Math.min(72, w * PX_PER_MM)), Math.max(3, Math.min(46, h * PX_PER_MM))];
	const outline = "stroke-base-content/50";
	return (
		<svg width="76" height="48" aria-hidden="true">
			{w > 0 ? (
				<rect
					x="1"
					y={(48 - height) / 2}
					width={width}
					height={height}
					fill={item.kind === "apart" ? "none" : colour}
					strokeDasharray={item.kind === "apart" ? "3 3" : undefined}
					className={outline}
				/>
			) : item.kind === "thread" ? (
				<path d="M2 30L64 18M2 36L64 24M2 24L64 12" stroke={colour} strokeWidth="2.5" />
			) : item.kind === "grains" ? (
				<path d="M4 40Q22 8 30 12T60 40Z" fill={colour} className={outline} />
			) : (
				<circle cx="24" cy="24" r="12" fill={colour} className={outline} />
			)}
		</svg>
	);
}

/** What was moved last, where nothing is open. */
function Newest({ view, onOpen }: { view: StationProps<"stock">["view"]; onOpen(id: string): void }) {
	const low = view.items.filter((item) => !item.retired && isLow(item));
	const figure = useFigure();
	return (
		<div className="flex flex-col gap-4">
			<div>
				<p className="figure">
					<b className={`text-5xl ${low.length > 0 ? "text-warning" : ""}`}>{low.length}</b>{" "}
					<span className="text-lg text-soft">{low.length === 1 ? "thing has run low" : "things have run low"}</span>
				</p>
				<ul className="ruled">
					{low.map((item) => (
						<li key={item.id}>
							<button
								type="button"
								className="flex min-h-11 w-full items-center justify-between gap-3 text-left hover:bg-base-100"
								onClick={() => onOpen(item.id)}
							>
								<span className="truncate">
									{itemName(item, view.glasses)} <span className="text-soft">{itemSize(item, figure)}</span>
								</span>
								<b className="figure">{amountWords(item.amount, item.kind, figure)}</b>
							</button>
						</li>
					))}
				</ul>
			</div>
			<p className="text-soft">
				Choose a line to take from it or add to it. Every change stays in the book with who made it; nothing is written
				over.
			</p>
		</div>
	);
}
