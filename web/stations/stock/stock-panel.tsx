import type { StockRow } from "@contract/stock";
import { type StockReason, unitOf } from "@core/stock/kinds";
import { dayAndClock } from "@formats/time";
import { useState } from "react";
import { NumberField, TextField } from "../../forms/fields";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure, usePrefs } from "../../lib/prefs";
import type { StationProps } from "../../ui/frame/framed";
import { PutAway } from "../../ui/put-away";
import { StockForm } from "./stock-form";
import { amountWords, itemName, itemSize, REASON_WORDS } from "./stock-words";

interface Props {
	item: StockRow;
	view: StationProps<"stock">["view"];
	mayEdit: boolean;
	onGone(): void;
}

/** One thing of the stock: how much there is, what comes and goes, and everything that did. */
export function StockPanel({ item, view, mayEdit, onGone }: Props) {
	const figure = useFigure();
	const { timeZone } = usePrefs();
	const [editing, setEditing] = useState(false);
	const records = view.records.filter(({ itemId }) => itemId === item.id);
	if (editing) return <StockForm item={item} view={view} mayEdit={mayEdit} onDone={() => setEditing(false)} />;
	return (
		<div className="flex flex-col gap-4">
			<div>
				<h2 className="text-xl">{itemName(item, view.glasses)}</h2>
				<p className="text-soft">
					{[itemSize(item, figure), item.place].filter(Boolean).join(", ") || "no place written down"}
				</p>
				<p className="mt-2">
					<b className="figure text-6xl leading-none">{amountWords(item.amount, item.kind, figure)}</b>{" "}
					<span className="text-lg text-soft">
						in the book{item.countedAt && `, counted ${dayAndClock(item.countedAt, timeZone)}`}
					</span>
				</p>
			</div>
			<Move item={item} />
			{item.supplier && <p>Supplier: {item.supplier}</p>}
			<section aria-label="Records">
				<h3 className="font-bold">What came and went</h3>
				{records.length === 0 && <p className="text-soft">Nothing lately.</p>}
				<ul className="ruled">
					{records.map((one) => (
						<li key={one.id} className="flex items-baseline justify-between gap-3 py-1">
							<span className="min-w-0">
								{REASON_WORDS[one.reason]}
								{one.note && <span className="text-soft">, {one.note}</span>}
								<span className="block text-[13px] text-soft">
									{dayAndClock(one.at, timeZone)}, {one.actor}
								</span>
							</span>
							<b className="figure whitespace-nowrap">
								{one.change > 0 ? "+" : one.change < 0 ? "−" : "±"}
								{amountWords(Math.abs(one.change), item.kind, figure)}
							</b>
						</li>
					))}
				</ul>
			</section>
			{mayEdit && (
				<>
					<button type="button" className="btn" onClick={() => setEditing(true)}>
						Change what is written of it
					</button>
					<PutAway
						what="stock"
						id={item.id}
						name={itemName(item, view.glasses)}
						retired={item.retired}
						onStruck={onGone}
					/>
				</>
			)}
		</div>
	);
}

const MOVES = ["taken", "bought", "returned", "broke"] as const satisfies readonly StockReason[];
const MOVE_WORDS: Record<(typeof MOVES)[number], string> = {
	taken: "Take it out",
	bought: "Was bought",
	returned: "Came back",
	broke: "Broke",
};

/** So many, and why: one press each, the amount beside it. */
function Move({ item }: { item: StockRow }) {
	const [amount, setAmount] = useState<number | null>(unitOf(item.kind) === "g" ? null : 1);
	const [note, setNote] = useState("");
	const [eventId, setEventId] = useState(() => crypto.randomUUID());
	const move = useAct("moveStock", () => {
		setEventId(crypto.randomUUID());
		setNote("");
	});
	const sendable = amount !== null && amount > 0;
	return (
		<section aria-label="Comes and goes" className="flex flex-col gap-2">
			<div className="grid grid-cols-[110px_1fr] gap-2">
				<NumberField
					kind={unitOf(item.kind) === "g" ? "mass" : "count"}
					label="How much"
					value={amount}
					onChange={setAmount}
				/>
				<TextField label="Note" value={note} onChange={setNote} />
			</div>
			<div className="grid grid-cols-2 gap-2">
				{MOVES.map((reason) => (
					<button
						key={reason}
						type="button"
						className={`btn h-14 text-base ${reason === "taken" ? "btn-primary" : ""}`}
						disabled={!sendable || move.isPending}
						onClick={() => sendable && move.mutate({ eventId, itemId: item.id, reason, amount, note })}
					>
						{MOVE_WORDS[reason]}
					</button>
				))}
			</div>
			<Trouble error={move.error} />
		</section>
	);
}
