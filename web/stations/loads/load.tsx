import { useState } from "react";
import { Caution, Empty, Trouble } from "../../forms/notice";
import type { TroubleError } from "../../lib/api";
import { useAct, useView } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { OwnCautions } from "../../ui/own-cautions";
import { lying, ShelfMap } from "../../ui/shelf-map";
import { shelfOf } from "../../ui/shelf-path";
import { CannotFire } from "./cannot-fire";
import { ProposedSchedule } from "./proposed-schedule";
import { ShelfLine } from "./shelf-line";
import { TrayRow } from "./tray-row";

export default framed("load", "load", Load);

/** Waiting pieces in trays → a shelf to scale → the schedule that serves them all, with who sets each part. */
function Load({ view, frame }: StationProps<"load">) {
	const figure = useFigure();
	const [trayKey, setTrayKey] = useState(view.trays[0]?.key);
	const [kilnId, setKilnId] = useState(
		view.kilns.find(({ mayPlan, busyWith }) => mayPlan && !busyWith)?.id ?? view.kilns[0]?.id ?? "",
	);
	const [without, setWithout] = useState<readonly string[]>([]);
	const tray = view.trays.find(({ key }) => key === trayKey) ?? view.trays[0];
	const pieces = tray?.pieces.filter(({ id }) => !without.includes(id)) ?? [];
	const kiln = view.kilns.find(({ id }) => id === kilnId);
	const proposal = useView(
		"proposal",
		{ kiln: kilnId, pieces: pieces.map(({ id }) => id).join(",") },
		undefined,
		pieces.length > 0 && kilnId !== "",
	);
	/** Said here, not beside the proposal: that goes away with the pieces that were planned. */
	const accept = useAct("acceptLoad");
	const planned = accept.data && (
		<p className="mb-2 font-semibold text-success">
			Firing {accept.data.number} is planned.{" "}
			<a className="underline" href="/fire">
				Go to Fire
			</a>
		</p>
	);
	if (view.trays.length === 0 || !tray) {
		return (
			<>
				<div role="status" className="px-5 pt-3">
					{planned}
				</div>
				<Empty title="No piece waits for a kiln">
					When the glue has set, pieces sort themselves into trays here: one family, one fuse level, one band of
					thickness.
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
					<CannotFire wet={view.wet} untested={view.untested} />
				</div>
			</>
		);
	}
	const shown = pieces.length > 0 ? proposal.data : undefined;
	const placed = pieces.filter(({ id }) => shown?.places.some((place) => place.id === id));
	return (
		<div className="grid h-full min-h-0 grid-cols-[292px_minmax(0,1fr)_320px] max-lg:block max-lg:overflow-y-auto">
			<section aria-label="Trays" className="scroll-y border-r border-line py-4">
				<h2 className="px-5 pb-2">Waiting, by what may share a shelf</h2>
				<ul>
					{view.trays.map((one) => (
						<TrayRow
							key={one.key}
							tray={one}
							chosen={one.key === tray.key}
							onChoose={() => {
								setTrayKey(one.key);
								setWithout([]);
								accept.reset();
							}}
							without={without}
							toggle={(id) =>
								setWithout(without.includes(id) ? without.filter((other) => other !== id) : [...without, id])
							}
						/>
					))}
				</ul>
				<CannotFire wet={view.wet} untested={view.untested} />
			</section>
			<section aria-label="Shelf" className="flex min-h-0 flex-col gap-2 px-5 py-3">
				<div className="flex flex-wrap items-end justify-between gap-3">
					<div role="group" aria-label="Kiln" className="join">
						{view.kilns.map((one) => (
							<button
								key={one.id}
								type="button"
								aria-pressed={one.id === kilnId}
								className={`btn join-item ${one.id === kilnId ? "btn-secondary" : ""}`}
								onClick={() => setKilnId(one.id)}
							>
								{one.name}
							</button>
						))}
					</div>
					{kiln && <ShelfLine kiln={kiln} fill={shown?.fill} count={shown?.places.length} />}
				</div>
				{kiln?.busyWith && (
					<p className="font-semibold text-warning">
						{kiln.name}: {kiln.busyWith}.
					</p>
				)}
				<div className="min-h-0 grow">
					{kiln && (
						<ShelfMap
							className="h-full"
							shelf={shelfOf(kiln)}
							clearanceMm={frame.clearanceMm}
							doorSide={kiln.doorSide}
							pieces={(shown?.places ?? []).flatMap((place) =>
								pieces.filter(({ id }) => id === place.id).flatMap((piece) => lying(piece, place, view.pictures)),
							)}
						/>
					)}
				</div>
				<p className="text-soft">
					Dashed: the piece after firing, and the {figure({ mm: frame.clearanceMm })} kept between halos. Opaque pieces
					lie on paper, not on wash alone.
				</p>
				{(shown?.leftIds.length ?? 0) > 0 && (
					<p className="font-semibold text-warning">
						No room for {shown?.leftIds.map((id) => pieces.find((one) => one.id === id)?.code).join(", ")}: they stay in
						their tray.
					</p>
				)}
			</section>
			<section aria-label="Schedule" className="scroll-y flex flex-col gap-3 border-l border-line px-5 py-4">
				<header>
					<div role="status">{planned}</div>
					<h2>Schedule for {shown && shown.places.length > 1 ? `all ${shown.places.length}` : "this load"}</h2>
				</header>
				{proposal.error && <Trouble error={proposal.error as TroubleError} />}
				{shown && kiln && (
					<>
						<ProposedSchedule proposal={shown} pieces={placed} />
						<Trouble error={accept.error} />
						<Caution>
							One level in one load: a tack piece never goes in with full. Metal lies on fibre. Follow the kiln’s and
							the glass maker’s own instructions where they differ.
						</Caution>
						<OwnCautions station="load" />
						<div className="foot bg-base-200 flex flex-col">
							<button
								type="button"
								className="btn btn-primary btn-lg text-base"
								disabled={accept.isPending || !kiln.mayPlan}
								onClick={() =>
									accept.send((newId) => ({
										firingId: newId(),
										kilnId,
										pieces: placed.map(({ id, seq }) => ({ pieceId: id, seq })),
									}))
								}
							>
								{accept.isPending ? "Checking everything again …" : `Accept this load of ${placed.length}`}
							</button>
						</div>
					</>
				)}
			</section>
		</div>
	);
}
