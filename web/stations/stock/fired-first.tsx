import type { BagsView, FiredNeed, LotRow } from "@contract/stock";
import { useState } from "react";
import { NumberField } from "../../forms/fields";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";

/** Dots and other parts that come out of a kiln before they can be packed: what is missing is a lot, what came out is stock. */
export function FiredFirst({ view, sessionId }: { view: BagsView; sessionId: string }) {
	if (view.fired.length === 0 && view.lots.length === 0) return null;
	return (
		<section aria-label="Fired first" className="flex flex-col gap-2">
			<h2>Fired first</h2>
			<ul className="ruled">
				{view.fired.map((need) => (
					<Need key={`${need.glassId} ${need.sizeMm}`} need={need} view={view} sessionId={sessionId} />
				))}
			</ul>
			{view.lots.length > 0 && (
				<>
					<h3 className="font-bold">On their way</h3>
					<ul className="ruled">
						{view.lots.map((lot) => (
							<Lot key={lot.id} lot={lot} view={view} />
						))}
					</ul>
					<p className="text-soft">
						They fill a shelf that has room, or have a firing of their own:{" "}
						<a className="underline" href="/fire">
							plan it at Fire
						</a>
						.
					</p>
				</>
			)}
		</section>
	);
}

const useName = (view: BagsView) => {
	const figure = useFigure();
	return ({ name, glassId, sizeMm }: Pick<LotRow, "name" | "glassId" | "sizeMm">): string =>
		[view.glasses.find(({ id }) => id === glassId)?.name, name, sizeMm === null ? "" : figure({ mm: sizeMm })]
			.filter(Boolean)
			.join(", ");
};

function Need({ need, view, sessionId }: { need: FiredNeed; view: BagsView; sessionId: string }) {
	const nameOf = useName(view);
	const [lotId, setLotId] = useState(() => crypto.randomUUID());
	const order = useAct("orderLot", () => setLotId(crypto.randomUUID()));
	const { name, glassId, sizeMm, wanted, have, coming } = need;
	const missing = Math.max(0, wanted - have - coming);
	return (
		<li className="flex items-center justify-between gap-3 py-1.5">
			<span>
				<b>{nameOf(need)}</b>
				<span className="block text-soft">
					{wanted} wanted, {have} in the drawer{coming > 0 && `, ${coming} on their way`}
				</span>
			</span>
			{missing > 0 && (
				<button
					type="button"
					className="btn btn-sm max-lg:h-11"
					disabled={order.isPending}
					onClick={() => order.mutate({ lotId, name, glassId, sizeMm, count: missing, sessionId })}
				>
					Fire {missing}
				</button>
			)}
			<Trouble error={order.error} />
		</li>
	);
}

function Lot({ lot, view }: { lot: LotRow; view: BagsView }) {
	const nameOf = useName(view);
	const [made, setMade] = useState<number | null>(lot.count);
	const end = useAct("endLot");
	return (
		<li className="grid grid-cols-[1fr_84px_auto] items-end gap-2 py-1.5">
			<span className="pb-2">
				<b className="figure">{lot.count}</b> {nameOf(lot)}
			</span>
			<NumberField compact kind="count" label="good ones" value={made} onChange={setMade} />
			<button
				type="button"
				className="btn btn-sm h-9 max-lg:h-11"
				disabled={made === null || Number.isNaN(made) || end.isPending}
				onClick={() => made !== null && end.mutate({ lotId: lot.id, made })}
			>
				{made === 0 ? "Call it off" : "Came out"}
			</button>
			<Trouble error={end.error} />
		</li>
	);
}
