import type { LoadView, PieceBrief, ProposalView } from "@contract/views";
import { clockNear, dayWords } from "@formats/time";
import { useState } from "react";
import type { TroubleError } from "../../lib/api";
import { useAct, useView } from "../../lib/api";
import { useFigure, usePrefs } from "../../lib/prefs";
import { FiringChart } from "../../ui/firing-chart/firing-chart";
import { framed, type StationProps } from "../../ui/framed";
import { Caution, Empty, Trouble } from "../../ui/notice";
import { SegmentList } from "../../ui/segment-list";
import { lying, ShelfMap } from "../../ui/shelf-map";
import { LevelGlyph, PromiseMark, StackBar } from "../../ui/signs";

export default framed("load", "load", Load);

type Tray = LoadView["trays"][number];

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
	if (view.trays.length === 0 || !tray) {
		return (
			<Empty title="No piece waits for a kiln">
				When the glue has set, pieces sort themselves into trays here: one family, one fuse level, one band of
				thickness.
			</Empty>
		);
	}
	const shown = pieces.length > 0 ? proposal.data : undefined;
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
							shelf={{ widthMm: kiln.shelfWidthMm, heightMm: kiln.shelfHeightMm, marginMm: kiln.marginMm }}
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
			<section aria-label="Schedule" className="scroll-y border-l border-line px-5 py-4">
				<h2 className="mb-1">
					Schedule for {shown && shown.places.length > 1 ? `all ${shown.places.length}` : "this load"}
				</h2>
				{proposal.error && <Trouble error={proposal.error as TroubleError} />}
				{shown && kiln && tray && <Schedule proposal={shown} kilnId={kilnId} pieces={pieces} blocked={!kiln.mayPlan} />}
			</section>
		</div>
	);
}

function ShelfLine({
	kiln,
	fill,
	count,
}: {
	kiln: LoadView["kilns"][number];
	fill: number | undefined;
	count: number | undefined;
}) {
	const figure = useFigure();
	return (
		<p className="text-right text-soft">
			shelf{" "}
			<span className="figure">
				{figure({ mm: kiln.shelfWidthMm })} × {figure({ mm: kiln.shelfHeightMm })}
			</span>
			{fill !== undefined && (
				<>
					{" "}
					· {count} {count === 1 ? "piece" : "pieces"} · fill{" "}
					<b className="figure text-lg text-base-content">{Math.round(fill * 100)} %</b>
				</>
			)}
		</p>
	);
}

function TrayRow({
	tray,
	chosen,
	onChoose,
	without,
	toggle,
}: {
	tray: Tray;
	chosen: boolean;
	onChoose(): void;
	without: readonly string[];
	toggle(id: string): void;
}) {
	const figure = useFigure();
	const { nowMs, timeZone } = usePrefs();
	const band = tray.upToMm === null ? `over ${figure({ mm: tray.fromMm })}` : `to ${figure({ mm: tray.upToMm })}`;
	return (
		<li className={`border-t border-line ${chosen ? "bg-pick" : ""}`}>
			<button
				type="button"
				aria-expanded={chosen}
				className="flex min-h-14 w-full items-center gap-3 px-5 py-2 text-left"
				onClick={onChoose}
			>
				<LevelGlyph level={tray.level} label={false} />
				<span className="min-w-0 grow">
					<b className="block">
						{tray.familyId} · <LevelWord level={tray.level} /> · {band}
					</b>
					<span className="block text-soft">
						{tray.promised ? `promised ${dayWords(tray.promised, new Date(nowMs), timeZone)}` : "no promise"}
					</span>
				</span>
				<span className="figure text-2xl font-bold">{tray.pieces.length}</span>
			</button>
			{chosen && (
				<ul className="px-5 pb-2">
					{tray.pieces.map((piece) => (
						<li key={piece.id}>
							<label className="flex min-h-11 cursor-pointer items-center gap-2.5">
								<input
									type="checkbox"
									className="checkbox checkbox-sm checkbox-secondary"
									checked={!without.includes(piece.id)}
									onChange={() => toggle(piece.id)}
								/>
								<StackBar stack={piece.stack} width={18} />
								<b className="figure tracking-wide">{piece.code}</b>
								<span className="min-w-0 grow truncate">{piece.student}</span>
								{piece.promise && piece.promise !== "ok" && <PromiseMark state={piece.promise} />}
							</label>
						</li>
					))}
				</ul>
			)}
		</li>
	);
}

const LevelWord = ({ level }: { level: Tray["level"] }) => <>{level === "firePolish" ? "fire polish" : level}</>;

function CannotFire({ wet, untested }: { wet: readonly PieceBrief[]; untested: readonly PieceBrief[] }) {
	const { nowMs, timeZone } = usePrefs();
	if (wet.length + untested.length === 0) return null;
	return (
		<div className="mt-4 px-5">
			<h2 className="mb-1">Cannot be fired yet</h2>
			<ul className="ruled">
				{wet.map((piece) => (
					<li key={piece.id} className="flex justify-between py-2">
						<a className="hover:underline" href={`/piece/${piece.code}`}>
							<b className="figure">{piece.code}</b> {piece.student}
						</a>
						<span className="figure text-soft">
							wet until {clockNear(piece.readyFrom ?? "", new Date(nowMs), timeZone)}
						</span>
					</li>
				))}
				{untested.map((piece) => (
					<li key={piece.id} className="flex justify-between py-2">
						<a className="hover:underline" href={`/piece/${piece.code}`}>
							<b className="figure">{piece.code}</b> {piece.student}
						</a>
						<span className="font-semibold text-error">untested glass</span>
					</li>
				))}
			</ul>
		</div>
	);
}

function Schedule({
	proposal,
	kilnId,
	pieces,
	blocked,
}: {
	proposal: ProposalView;
	kilnId: string;
	pieces: readonly PieceBrief[];
	blocked: boolean;
}) {
	const { nowMs, timeZone } = usePrefs();
	const [firingId, setFiringId] = useState(() => crypto.randomUUID());
	const accept = useAct("acceptLoad", () => setFiringId(crypto.randomUUID()));
	const placed = pieces.filter(({ id }) => proposal.places.some((place) => place.id === id));
	const dearest = Object.entries(proposal.costHours).sort(([, a], [, b]) => b - a)[0];
	const dearPiece = pieces.find(({ id }) => id === dearest?.[0]);
	return (
		<div className="flex flex-col gap-3">
			<p>
				<span className="text-soft">Started now, open not before</span>
				<b className="figure block text-3xl">{clockNear(proposal.openAt, new Date(nowMs), timeZone)}</b>
				<span className="figure text-soft">
					{(proposal.openS / 3600).toFixed(1)} h, {proposal.kwh.toFixed(1)} kWh, flow index {proposal.flow.toFixed(2)}
				</span>
			</p>
			<FiringChart
				width={300}
				height={150}
				openS={proposal.openS}
				series={[
					{ name: "plan", points: proposal.plan, kind: "plan" },
					{ name: "kiln, simulated", points: proposal.air, kind: "simulated" },
				]}
				summary={`Schedule for ${proposal.places.length} pieces`}
			/>
			<SegmentList schedule={proposal.schedule} setBy={proposal.setBy} airMin={proposal.airMin} pieces={placed} />
			{dearest && dearest[1] > 0.2 && dearPiece && placed.length > 1 && (
				<p>
					Without <b className="figure">{dearPiece.code}</b> this load would be{" "}
					<b className="figure">{dearest[1].toFixed(1)} h</b> shorter.
				</p>
			)}
			<Trouble error={accept.error} />

			<p role="status" className="font-semibold text-success">
				{accept.data && (
					<>
						Firing {accept.data.number} is planned.{" "}
						<a className="underline" href="/fire">
							Go to Fire
						</a>
					</>
				)}
			</p>
			<Caution>
				One level in one load: a tack piece never goes in with full. Metal lies on fibre. Follow the kiln’s and the
				glass maker’s own instructions where they differ.
			</Caution>
			<div className="foot bg-base-200 flex flex-col">
				<button
					type="button"
					className="btn btn-primary btn-lg text-base"
					disabled={accept.isPending || blocked}
					onClick={() =>
						accept.mutate({ firingId, kilnId, pieces: placed.map(({ id, seq }) => ({ pieceId: id, seq })) })
					}
				>
					{accept.isPending ? "Checking everything again …" : `Accept this load of ${placed.length}`}
				</button>
			</div>
		</div>
	);
}
