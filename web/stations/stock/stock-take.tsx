import type { StockRow } from "@contract/stock";
import type { Glass } from "@core/glass/glass";
import { groupBy } from "@core/group-by";
import { unitOf } from "@core/stock/kinds";
import { useState } from "react";
import { NumberField } from "../../forms/fields";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { amountWords, itemName, itemSize } from "./stock-words";

interface Props {
	items: readonly StockRow[];
	glasses: readonly Glass[];
	onDone(): void;
}

/** From shelf to shelf: what is there is typed, what is left empty was not counted. */
export function StockTake({ items, glasses, onDone }: Props) {
	const figure = useFigure();
	const [counts, setCounts] = useState<ReadonlyMap<string, number | null>>(new Map());
	// Of this taking: sent twice it counts once.
	const [eventIds] = useState(() => new Map(items.map(({ id }) => [id, crypto.randomUUID()])));
	const take = useAct("countStock", onDone);
	const typed = [...counts].flatMap(([itemId, amount]) =>
		amount === null ? [] : [{ itemId, amount, eventId: eventIds.get(itemId) ?? itemId }],
	);
	const unreadable = typed.some(({ amount }) => Number.isNaN(amount));
	const other = typed.filter(({ itemId, amount }) => items.find(({ id }) => id === itemId)?.amount !== amount).length;
	const places = [...groupBy([...items], ({ place }) => place).entries()].sort(([a], [b]) => a.localeCompare(b));
	return (
		<section aria-label="Count the shelves" className="scroll-y min-h-0 grow px-6 py-4">
			<div className="flex items-center justify-between gap-4">
				<p className="text-soft">Type what stands there. What you leave empty stays as it is in the book.</p>
				<span className="flex items-center gap-3">
					<span className="figure">
						<b className="text-2xl">{typed.length}</b> counted, <b>{other}</b> other than in the book
					</span>
					<button type="button" className="btn" onClick={onDone}>
						Not now
					</button>
					<button
						type="button"
						className="btn btn-primary"
						disabled={typed.length === 0 || unreadable || take.isPending}
						onClick={() => take.mutate({ counts: typed })}
					>
						Write the count down
					</button>
				</span>
			</div>
			<Trouble error={take.error} />
			{places.map(([place, its]) => (
				<div key={place} className="mt-4">
					<h2>{place || "No place written down"}</h2>
					<ul className="ruled">
						{its.map((item) => (
							<li key={item.id} className="grid grid-cols-[minmax(0,1fr)_160px_140px] items-center gap-4 py-1.5">
								<span className="truncate">
									<b>{itemName(item, glasses)}</b> <span className="text-soft">{itemSize(item, figure)}</span>
								</span>
								<span className="figure text-soft">book: {amountWords(item.amount, item.kind, figure)}</span>
								<NumberField
									compact
									quiet
									kind={unitOf(item.kind) === "g" ? "mass" : "count"}
									label={`Count of ${itemName(item, glasses)} ${itemSize(item, figure)}`}
									value={counts.get(item.id) ?? null}
									onChange={(amount) => setCounts(new Map(counts).set(item.id, amount))}
								/>
							</li>
						))}
					</ul>
				</div>
			))}
		</section>
	);
}
