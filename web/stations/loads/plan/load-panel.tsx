import type { PlanView } from "@contract/loads";
import { LEVEL_WORDS } from "@core/firing/level";
import type { ShownLoad, ShownPlan } from "@core/loading/plan/shown";
import { clockNear, dayOf, dayWords } from "@formats/time";
import { useNow } from "../../../lib/clock";
import { usePrefs } from "../../../lib/prefs";
import { BackToPlan } from "./back";

interface Props {
	view: PlanView;
	plan: ShownPlan;
	load: ShownLoad;
	onBack(): void;
}

/** One proposed firing: when it is started and opened, and who is in it. */
export function LoadPanel({ view, plan, load, onBack }: Props) {
	const { timeZone } = usePrefs();
	const now = new Date(useNow(60));
	const kiln = view.kilns.find(({ id }) => id === load.kilnId);
	const at = (ms: number) => clockNear(new Date(ms), now, timeZone);
	const day = (ms: number) => dayWords(dayOf(new Date(ms), timeZone), now, timeZone);
	const pieces = load.pieceIds.flatMap((id) => view.pieces.find((piece) => piece.id === id) ?? []);
	const ids = load.pieceIds.join(",");
	return (
		<section aria-label="Proposed firing" className="flex flex-col gap-3">
			<BackToPlan onBack={onBack} />
			<header>
				<h2>
					{kiln?.name}: {pieces.length} {LEVEL_WORDS[load.level]}
				</h2>
				<p className="text-soft">
					start <b className="figure text-base-content">{at(load.startMs)}</b>, cool{" "}
					<b className="figure text-base-content">{at(load.coolMs)}</b>, opened{" "}
					<b className="figure text-base-content">{at(load.openMs)}</b>
				</p>
				<p className="figure text-soft">
					{Math.round(load.fill * 100)} % of {load.shelves > 1 ? `${load.shelves} shelves` : "the shelf"},{" "}
					{load.kwh.toFixed(1)} kWh
				</p>
			</header>
			<ul className="ruled">
				{pieces.map((piece) => {
					const home = plan.homeMs[piece.id];
					const isLate = piece.promisedMs !== null && (home ?? Number.POSITIVE_INFINITY) > piece.promisedMs;
					return (
						<li key={piece.id} className="flex justify-between gap-3 py-1.5">
							<span className="min-w-0 truncate">
								<b className="figure">{piece.code}</b> {piece.student}
							</span>
							{plan.figures.moved.includes(piece.id) && <span className="text-warning">moved</span>}
							<span className={`figure whitespace-nowrap ${isLate ? "font-bold text-error" : "text-soft"}`}>
								{home === undefined ? "no later firing yet" : `home ${day(home)}`}
							</span>
						</li>
					);
				})}
			</ul>
			{pieces.some(({ readyMs }) => readyMs > now.getTime()) ? (
				<p className="text-soft">
					The glue on some of these is still wet. It can be announced with the plan; by hand it is laid once they are
					dry.
				</p>
			) : load.isFirst ? (
				<a className="btn" href={`/load?kiln=${load.kilnId}&start=${load.startMs}&pieces=${ids}`}>
					Lay it on the shelf
				</a>
			) : (
				<p className="text-soft">
					Some of these come out of an earlier firing of this plan: it can be announced when they are judged.
				</p>
			)}
		</section>
	);
}
