import type { CalendarFiring, PlanView } from "@contract/loads";
import type { ShownLoad, ShownPlan } from "@core/loading/plan/shown";
import type { PlanName } from "@core/loading/plan/weights";
import { sameNames } from "@core/loading/same-names";
import { counted } from "@core/units/counted";
import { useMemo, useState } from "react";
import { Caution, Empty, Trouble } from "../../../forms/notice";
import { Said } from "../../../forms/said";
import { help } from "../../../help/plan";
import { useAct } from "../../../lib/api";
import { useNow } from "../../../lib/clock";
import { usePrefs } from "../../../lib/prefs";
import { framed, type StationProps } from "../../../ui/frame/framed";
import { LoadNav } from "../load-nav";
import { Calendar } from "./calendar";
import { FiringPanel } from "./firing-panel";
import { HeldPanel } from "./held-panel";
import { LoadPanel } from "./load-panel";
import { Meaning } from "./meaning";
import { strandedFirings } from "./movable";
import { PlanCards } from "./plan-cards";
import { PlanHead } from "./plan-head";
import { calendarFrame } from "./scale";
import { useDragFiring } from "./use-drag-firing";
import { useMayMove } from "./use-may-move";
import { usePlan } from "./use-plan";

export default framed("plan", "load", help, PlanPage);

type Announcing = ReturnType<typeof useAct<"acceptPlan">>;

const DAY_MS = 86_400_000;
/** Later firings stay a proposal: they are planned again as pieces come in. */
const ANNOUNCED_DAYS = 3;

/** Two weeks of all kilns: three plans to choose from, what is announced, and what it means for who waits. */
function PlanPage({ view: asBooked }: StationProps<"plan">) {
	const moving = useMayMove(asBooked);
	const { view } = moving;
	const [name, setName] = useState<PlanName>("soonest");
	const [days, setDays] = useState(9);
	const [chosen, setChosen] = useState<string | null>(null);
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const { plans, share, ms, stop } = usePlan(view);
	const move = useAct("moveFiring");
	/** Kept here: the plan that was announced goes away. */
	const accept = useAct("acceptPlan");
	const plan = plans[name];
	const { kilns, fromMs, booked } = view;
	const frame = useMemo(
		() => calendarFrame(fromMs, days, kilns.length, timeZone),
		[fromMs, days, kilns.length, timeZone],
	);
	const drag = useDragFiring(frame, kilns, nowMs, ({ id, kiln, startMs }) =>
		move.mutate({ firingId: id, kilnId: kilns[kiln]?.id ?? "", startsAt: new Date(startMs).toISOString() }),
	);
	const heldFiring = booked.find(({ id }) => id === drag.held?.id);
	const load = plan?.loads.find(({ key }) => key === chosen);
	const firing = asBooked.booked.find(({ id }) => id === chosen);
	if (kilns.length === 0)
		return (
			<Empty title="There is no kiln to plan for">
				<a className="btn btn-primary mt-4" href="/fire/kilns">
					Write a kiln down
				</a>
			</Empty>
		);
	return (
		<div className="flex h-full min-h-0 flex-col">
			<LoadNav here="/load/plan">
				<Searching share={share} ms={ms} isEmpty={view.pieces.length === 0} stop={stop} />
			</LoadNav>
			<div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_300px] max-lg:block max-lg:overflow-y-auto">
				<section aria-label="Plan" className="scroll-y flex flex-col gap-3 px-5 py-4">
					<PlanHead
						kilns={kilns.length}
						waiting={asBooked.pieces.length}
						moving={moving}
						days={days}
						onDays={setDays}
					/>
					{view.pieces.length > 0 && (
						<PlanCards
							plans={plans}
							chosen={name}
							onChoose={(other) => {
								setName(other);
								setChosen(null);
							}}
						/>
					)}
					<Calendar
						{...{ view, plan, frame, drag, chosen }}
						numbers={new Map(moving.may.map(({ id, number }) => [id, number]))}
						onChoose={setChosen}
					/>
					{!moving.isOn && <Stranded view={asBooked} may={moving.may} onMove={() => moving.turn(true)} />}
					{view.blocked > 0 && (
						<p className="text-soft">
							{counted(view.blocked, "piece")} more {view.blocked === 1 ? "is" : "are"} in no plan: not measured, of
							untested glass, or beyond the first 400. See the{" "}
							<a className="underline" href="/load">
								trays
							</a>
							.
						</p>
					)}
					{sameNames(kilns).map((name) => (
						<p key={name} className="font-semibold text-warning">
							More than one kiln is called “{name}”: give one another name on{" "}
							<a className="underline" href="/fire/kilns">
								its page
							</a>
							, or somebody loads the wrong one.
						</p>
					))}
					<div role="status">
						<Announced answer={accept.data} />
					</div>
					<Trouble error={move.error} />
					<Caution>
						Hours are computed, with two hours of slack a firing. Open by the kiln’s own temperature, never by the
						calendar.
					</Caution>
				</section>
				<section aria-label="What it means" className="scroll-y flex flex-col gap-4 border-l border-line px-5 py-4">
					{drag.held && heldFiring ? (
						<HeldPanel view={view} firing={heldFiring} held={drag.held} />
					) : firing ? (
						<FiringPanel firing={firing} view={view} onBack={() => setChosen(null)} />
					) : load && plan ? (
						<LoadPanel view={view} plan={plan} load={load} onBack={() => setChosen(null)} />
					) : plan ? (
						<Meaning view={view} plan={plan} />
					) : (
						<p className="text-soft">
							{view.pieces.length === 0
								? "No piece waits for a kiln. What runs and what was announced stands on the calendar."
								: "Being planned …"}
						</p>
					)}
					{plan && <Accept {...{ view, plan, nowMs, accept }} movable={moving.moving} isSearching={share < 1} />}
				</section>
			</div>
		</div>
	);
}

/** What was announced for a kiln that is out of service then, and the one press that plans it anew; what no plan takes is dragged. */
function Stranded(props: { view: PlanView; may: readonly CalendarFiring[]; onMove(): void }) {
	const firings = strandedFirings(props.view);
	const byHand = firings.filter(({ id }) => !props.may.some((one) => one.id === id));
	if (firings.length === 0) return null;
	return (
		<div className="flex flex-wrap items-center gap-3 font-semibold text-warning">
			<p>
				{numbers(firings)} {firings.length === 1 ? "is" : "are"} announced for a kiln that is out of service.
				{byHand.length > 0 &&
					` ${numbers(byHand)} ${byHand.length === 1 ? "is" : "are"} of two families, of lots or begun: drag ${byHand.length === 1 ? "it" : "them"} to another kiln or hour.`}
			</p>
			{byHand.length < firings.length && (
				<button type="button" className="btn btn-sm max-lg:h-11" onClick={props.onMove}>
					Plan anew what was announced
				</button>
			)}
		</div>
	);
}

const numbers = (firings: readonly CalendarFiring[]) => firings.map(({ number }) => `№ ${number}`).join(", ");

/** True progress, and a way to take what there is. */
function Searching({ share, ms, isEmpty, stop }: { share: number; ms: number; isEmpty: boolean; stop(): void }) {
	if (isEmpty) return null;
	if (share >= 1)
		return <span className="figure text-soft">{ms > 0 ? `planned in ${(ms / 1000).toFixed(1)} s` : "stopped"}</span>;
	return (
		<>
			<progress className="progress w-28" value={share} max={1} aria-label="Planning" />
			<button type="button" className="btn btn-sm" onClick={stop}>
				Enough
			</button>
		</>
	);
}

/** What came of announcing: said where it stays, for the plan is another one then. */
function Announced({ answer }: { answer: Announcing["data"] }) {
	if (!answer) return null;
	return (
		<>
			{answer.accepted.length > 0 && (
				<p className="font-semibold text-success">
					{counted(answer.accepted.length, "firing")} announced:{" "}
					{answer.accepted.map(({ number }) => number).join(", ")}.{" "}
					<a className="underline" href="/fire">
						Go to Fire
					</a>
				</p>
			)}
			{answer.refused.map(({ firingId, sentence }) => (
				<p key={firingId} className="text-error">
					Not announced: <Said words={sentence} />
				</p>
			))}
		</>
	);
}

/** Announces the firings of the next days, as far as their pieces wait already. */
function Accept({
	view,
	plan,
	nowMs,
	movable,
	isSearching,
	accept,
}: {
	view: PlanView;
	plan: ShownPlan;
	nowMs: number;
	/** Announced firings that the plan may move. */
	movable: readonly { id: string; number: number }[];
	isSearching: boolean;
	accept: Announcing;
}) {
	const seqs = new Map(view.pieces.map(({ id, seq }) => [id, seq]));
	const wasAnnounced = new Set(view.announced?.flatMap(({ pieceIds }) => pieceIds));
	const soon = plan.loads.filter(
		({ isFirst, announcedId, startMs, pieceIds }) =>
			isFirst &&
			announcedId === null &&
			(startMs < nowMs + ANNOUNCED_DAYS * DAY_MS || pieceIds.some((id) => wasAnnounced.has(id))),
	);
	const instead = movable.filter(({ id }) => !plan.loads.some(({ announcedId }) => announcedId === id));
	const wanted = (load: ShownLoad, firingId: string) => ({
		firingId,
		kilnId: load.kilnId,
		startsAt: new Date(load.startMs).toISOString(),
		pieces: load.pieceIds.map((pieceId) => ({ pieceId, seq: seqs.get(pieceId) ?? 0 })),
	});
	return (
		<div className="foot bg-base-200 mt-auto flex flex-col gap-2">
			<Trouble error={accept.error} />
			{soon.length > 0 && (
				<>
					<button
						type="button"
						className="btn btn-primary btn-lg text-base"
						disabled={accept.isPending || isSearching}
						onClick={() =>
							accept.send((newId) => ({
								loads: soon.map((load) => wanted(load, newId())),
								...(instead.length > 0 && { insteadOf: instead.map(({ id }) => id) }),
							}))
						}
					>
						{accept.isPending ? "Checking everything again …" : `Announce ${counted(soon.length, "firing")}`}
					</button>
					<p className="text-[13px] text-soft">
						{instead.length > 0
							? `In place of ${instead.map(({ number }) => `№ ${number}`).join(", ")}: all of it, or nothing.`
							: "Those of the next three days. Later ones stay a proposal and are planned again as pieces come in."}
					</p>
				</>
			)}
		</div>
	);
}
