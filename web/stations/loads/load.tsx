import type { LoadView } from "@contract/loads";
import type { PieceBrief } from "@contract/pieces";
import { useState } from "react";
import { Empty, Trouble } from "../../forms/notice";
import { help } from "../../help/load";
import type { TroubleError } from "../../lib/api";
import { useAct, useView } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { KilnShelf } from "../../ui/kiln-shelf";
import { outOfServiceWords } from "../../ui/out-of-service-words";
import { CannotFire, WornMoulds } from "./cannot-fire";
import { LoadBench } from "./load-bench";
import { LoadNav } from "./load-nav";
import { TrayRow } from "./tray-row";

export default framed("load", "load", help, Load);

type Tray = LoadView["trays"][number];

/** Waiting pieces in trays → a shelf to scale → the schedule that serves them all, with who sets each part. */
function Load({ view, frame, params }: StationProps<"load">) {
	const asked = params.pieces?.split(",").filter(Boolean) ?? [];
	const trayOf = (id: string | undefined) => view.trays.find(({ pieces }) => pieces.some((one) => one.id === id));
	const [trayKey, setTrayKey] = useState((trayOf(asked[0]) ?? view.trays[0])?.key);
	const [kilnId, setKilnId] = useState(
		view.kilns.find(({ id }) => id === params.kiln)?.id ??
			view.kilns.find(({ busyWith, outOfService }) => !busyWith && !outOfService)?.id ??
			view.kilns[0]?.id ??
			"",
	);
	/** Those that somebody chose; null: the whole tray. */
	const [chosenIds, setChosenIds] = useState<readonly string[] | null>(asked.length > 0 ? asked : null);
	const tray = view.trays.find(({ key }) => key === trayKey) ?? view.trays[0];
	const mates = tray ? matesOf(view, tray) : [];
	const pieces = chosenIds ? mates.filter(({ id }) => chosenIds.includes(id)) : (tray?.pieces ?? []);
	const kiln = view.kilns.find(({ id }) => id === kilnId);
	const key = pieces.map(({ id }) => id).join(",");
	const startMs = params.start && kilnId === params.kiln && tray === trayOf(asked[0]) ? Number(params.start) : null;
	const proposal = useView("proposal", { kiln: kilnId, pieces: key }, undefined, pieces.length > 0 && kilnId !== "");
	// The bench begins with its places once: another kiln’s, shown meanwhile, would stay on it.
	const base = proposal.isPlaceholderData ? undefined : proposal.data;
	/** Said here, not beside the proposal: that goes away with the pieces that were planned. */
	const accept = useAct("acceptLoad");
	const planned = accept.data && (
		<p className="font-semibold text-success">
			Firing {accept.data.number} is planned.{" "}
			<a className="underline" href="/fire">
				Go to Fire
			</a>
		</p>
	);
	if (view.trays.length === 0 || !tray)
		return (
			<>
				<LoadNav here="/load">
					<div role="status">{planned}</div>
				</LoadNav>
				<NothingWaits view={view} />
			</>
		);
	const toggle = (id: string) => {
		const now = pieces.map((one) => one.id);
		setChosenIds(now.includes(id) ? now.filter((other) => other !== id) : [...now, id]);
	};
	const choose = (one: Tray) => {
		setTrayKey(one.key);
		setChosenIds(null);
		accept.reset();
	};
	// Those of the load first, then what else of its family and level waits and might go in.
	const known = [...pieces, ...mates.filter(({ id }) => !pieces.some((one) => one.id === id))];
	return (
		<div className="flex h-full min-h-0 flex-col">
			<LoadNav here="/load">
				<div role="status">{planned}</div>
				<KilnChoice kilns={view.kilns} kilnId={kilnId} onChoose={setKilnId} />
			</LoadNav>
			<div className="grid min-h-0 grow grid-cols-[280px_minmax(0,1fr)_310px] max-lg:block max-lg:overflow-y-auto">
				<section aria-label="Trays" className="scroll-y border-r border-line py-4">
					<h2 className="px-5 pb-2">Waiting, by what may share a shelf</h2>
					<ul>
						{view.trays.map((one) => (
							<TrayRow
								key={one.key}
								view={view}
								mayMove={frame.person.role === "instructor"}
								tray={one}
								chosen={one.key === tray.key}
								onChoose={() => choose(one)}
								mates={mates.filter(({ id }) => !one.pieces.some((its) => its.id === id))}
								isIn={(id) => pieces.some((its) => its.id === id)}
								toggle={toggle}
							/>
						))}
					</ul>
					<WornMoulds worn={view.worn} />
					<WornMoulds worn={view.worn} />
					<CannotFire view={view} />
				</section>
				{kiln && base && pieces.length > 0 ? (
					<LoadBench key={`${kilnId} ${key}`} {...{ view, frame, kiln, accept, startMs }} base={base} pieces={known} />
				) : (
					<section aria-label="Shelf" className="col-span-2 flex min-h-0 flex-col gap-2 px-5 py-3">
						{proposal.error && <Trouble error={proposal.error as TroubleError} />}
						<p className="text-soft">
							{pieces.length === 0 ? "Choose at least one piece of the tray." : !proposal.error && "Being laid …"}
						</p>
						{kiln && (
							<div className="min-h-0 grow">
								<KilnShelf className="h-full" kiln={kiln} clearanceMm={frame.clearanceMm} pieces={[]} />
							</div>
						)}
					</section>
				)}
			</div>
		</div>
	);
}

/** Of the same level, and family where the studio does not mix them: pieces of other bands go along with the instructor's consent. */
const matesOf = ({ trays, mixFamilies }: LoadView, { familyId, level }: Tray): PieceBrief[] =>
	trays
		.filter((one) => (mixFamilies || one.familyId === familyId) && one.level === level)
		.flatMap(({ pieces }) => pieces);

function KilnChoice(props: { kilns: LoadView["kilns"]; kilnId: string; onChoose(id: string): void }) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const chosen = props.kilns.find(({ id }) => id === props.kilnId);
	return (
		<>
			{chosen?.outOfService && (
				<a className="font-semibold text-warning underline" href={`/fire/kilns/${chosen.id}`}>
					{chosen.name}: {outOfServiceWords(chosen.outOfService, nowMs, timeZone)}
					{chosen.outOfService.why && `, ${chosen.outOfService.why}`}
				</a>
			)}
			{chosen?.busyWith && (
				<span className="font-semibold text-warning">
					{chosen.name}: {chosen.busyWith}
				</span>
			)}
			<div role="group" aria-label="Kiln" className="join">
				{props.kilns.map(({ id, name }) => (
					<button
						key={id}
						type="button"
						aria-pressed={id === props.kilnId}
						className={`btn btn-sm join-item max-lg:h-11 ${id === props.kilnId ? "btn-secondary" : ""}`}
						onClick={() => props.onChoose(id)}
					>
						{name}
					</button>
				))}
			</div>
		</>
	);
}

const NothingWaits = ({ view }: { view: LoadView }) => (
	<>
		<Empty title="No piece waits for a kiln">
			When the glue has set, pieces sort themselves into trays here: one family, one fuse level, one band of thickness.
			<span className="mt-4 flex justify-center gap-2">
				<a className="btn btn-primary" href="/dry">
					See what dries
				</a>
				<a className="btn" href="/bench">
					Hand in at the bench
				</a>
			</span>
		</Empty>
		<div className="mx-auto max-w-lg">
			<WornMoulds worn={view.worn} />
			<CannotFire view={view} />
		</div>
	</>
);
