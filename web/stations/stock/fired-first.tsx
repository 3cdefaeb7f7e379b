import type { BagsView } from "@contract/bags";
import type { FiredNeed, LotRow } from "@contract/lots";
import { LEVEL_WORDS } from "@core/firing/level";
import { groupBy } from "@core/group-by";
import { lotRoomMm2 } from "@core/stock/lots";
import { useState } from "react";
import { NumberField } from "../../forms/fields";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";

/** Dots and other parts that come out of a kiln before they can be packed: what is missing is a lot, what came out is stock. */
export function FiredFirst(props: { view: BagsView; sessionId: string; mayPlan: boolean }) {
	const { view, sessionId, mayPlan } = props;
	if (view.fired.length === 0 && view.lots.length === 0) return null;
	return (
		<section aria-label="Fired first" className="flex flex-col gap-2">
			<h2>Fired first</h2>
			<ul className="ruled">
				{view.fired.map((need) => (
					<Need key={need.madeOf} need={need} view={view} sessionId={sessionId} />
				))}
			</ul>
			{view.lots.length > 0 && <OnTheirWay view={view} mayPlan={mayPlan} />}
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
	const figure = useFigure();
	const { name, glassId, sizeMm, squareMm, madeOf, cutRunId, level, wanted, spares, packed, have, coming } = need;
	const short = Math.max(0, wanted - packed - have - coming);
	const missing = short > 0 ? short + spares : 0;
	return (
		<li className="flex items-center justify-between gap-3 py-1.5">
			<span>
				<b>{nameOf(need)}</b>
				<span className="block text-soft">
					{wanted} wanted{packed > 0 && `, ${packed} in bags`}, {have} in the drawer
					{coming > 0 && `, ${coming} on their way`}
				</span>
				{missing > 0 && (
					<span className="block text-soft">
						{squareMm === null ? "cut its parts" : `cut squares of ${figure({ mm: squareMm })}`}, fire them loose to{" "}
						{LEVEL_WORDS[level]}; {spares} of them spares
					</span>
				)}
			</span>
			{missing > 0 && (
				<button
					type="button"
					className="btn btn-sm max-lg:h-11"
					disabled={order.isPending}
					onClick={() =>
						order.mutate({ lotId, name, glassId, sizeMm, count: missing, sessionId, of: { cutRunId, madeOf } })
					}
				>
					Fire {missing}
				</button>
			)}
			<Trouble error={order.error} />
		</li>
	);
}

/** Lots that are not fired yet: planned as a firing of their own, or put on a shelf that has room. */
function OnTheirWay({ view, mayPlan }: { view: BagsView; mayPlan: boolean }) {
	const waiting = view.lots.filter(({ firing }) => firing === null);
	return (
		<>
			<h3 className="font-bold">On their way</h3>
			<ul className="ruled">
				{view.lots.map((lot) => (
					<Lot key={lot.id} lot={lot} view={view} />
				))}
			</ul>
			{mayPlan && waiting.length > 0 && <OwnFiring lots={waiting} view={view} />}
		</>
	);
}

/** A firing of their own for lots that wait, one a family, in a kiln that has none planned. */
function OwnFiring({ lots, view }: { lots: readonly LotRow[]; view: BagsView }) {
	const [firingId, setFiringId] = useState(() => crypto.randomUUID());
	const fire = useAct("fireLots", () => setFiringId(crypto.randomUUID()));
	const [kilnId, setKilnId] = useState(view.kilns[0]?.id ?? "");
	if (view.kilns.length === 0)
		return <p className="text-soft">Every kiln has a firing planned: fill one of them up, or call one off at Load.</p>;
	const together = [...groupBy(lots, ({ familyId, level }) => `${familyId} ${level}`)];
	const families = new Set(lots.map(({ familyId }) => familyId));
	const levels = new Set(lots.map(({ level }) => level));
	return (
		<div className="flex flex-col gap-1.5">
			<label className="flex items-center gap-2">
				<span className="text-soft">In</span>
				<select className="select h-11 grow" value={kilnId} onChange={(event) => setKilnId(event.target.value)}>
					{view.kilns.map(({ id, name }) => (
						<option key={id} value={id}>
							{name}
						</option>
					))}
				</select>
			</label>
			{together.map(([key, its]) => {
				const [{ familyId, level }] = its as [LotRow, ...LotRow[]];
				const count = its.reduce((sum, lot) => sum + lot.count, 0);
				return (
					<button
						key={key}
						type="button"
						className="btn h-auto min-h-11"
						disabled={fire.isPending}
						onClick={() => fire.mutate({ firingId, kilnId, lotIds: its.map(({ id }) => id) })}
					>
						Plan a firing of their own for {count}
						{levels.size > 1 && `, ${LEVEL_WORDS[level]}`}
						{families.size > 1 && `, family ${view.families.find(({ id }) => id === familyId)?.label ?? "unknown"}`}
					</button>
				);
			})}
			<Trouble error={fire.error} />
		</div>
	);
}

const FIRING_WORDS = {
	planned: "planned in",
	running: "fires in",
	opened: "out of",
	cancelled: "was to be in",
} as const;

/** One lot: where it is fired, and what came out once it was. */
function Lot({ lot, view }: { lot: LotRow; view: BagsView }) {
	const nameOf = useName(view);
	const fill = useAct("fillWithLot");
	const { firing } = lot;
	const room = lotRoomMm2(lot.count, lot.sizeMm);
	const fillers = view.fillers.filter(
		({ familyId, level, freeMm2 }) => familyId === lot.familyId && level === lot.level && freeMm2 >= room,
	);
	return (
		<li className="flex flex-col gap-1.5 py-1.5">
			<span>
				<b className="figure">{lot.count}</b> {nameOf(lot)}{" "}
				<span className="text-soft">to {LEVEL_WORDS[lot.level]}</span>
				{firing && (
					<a className="block text-soft underline" href={`/fire?firing=${firing.id}`}>
						{FIRING_WORDS[firing.state]} firing {firing.number}, {firing.kiln}
					</a>
				)}
			</span>
			{!firing &&
				fillers.map(({ id, number, kiln }) => (
					<button
						key={id}
						type="button"
						className="btn btn-sm max-lg:h-11"
						disabled={fill.isPending}
						onClick={() => fill.mutate({ lotId: lot.id, firingId: id })}
					>
						Into the corners of firing {number}, {kiln}
					</button>
				))}
			{firing?.state === "planned" ? (
				<button
					type="button"
					className="btn btn-ghost btn-sm self-start max-lg:h-11"
					disabled={fill.isPending}
					onClick={() => fill.mutate({ lotId: lot.id, firingId: null })}
				>
					Out of it again
				</button>
			) : (
				firing?.state !== "running" && <CameOut lot={lot} />
			)}
			<Trouble error={fill.error} />
		</li>
	);
}

/** What came out of a kiln is counted: good ones go into the drawer. */
function CameOut({ lot }: { lot: LotRow }) {
	const [made, setMade] = useState<number | null>(lot.count);
	const end = useAct("endLot");
	return (
		<div className="grid grid-cols-[84px_auto] items-end justify-start gap-2">
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
		</div>
	);
}
