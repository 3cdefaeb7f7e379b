import type { LoadView, ProposalView } from "@contract/loads";
import type { PieceBrief } from "@contract/pieces";
import { usableMm2 } from "@core/loading/shelf";
import { putIn, swapped } from "@core/loading/shelf-doc";
import { clockNear } from "@formats/time";
import { useState } from "react";
import { Caution, Trouble } from "../../forms/notice";
import { type TroubleError, type useAct, useView } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { useFigure, usePrefs } from "../../lib/prefs";
import type { StationProps } from "../../ui/frame/framed";
import { OwnCautions } from "../../ui/own-cautions";
import { lying, ShelfMap } from "../../ui/shelf-map";
import { shelfOf } from "../../ui/shelf-path";
import { Fillers } from "./fillers";
import { ProposedSchedule } from "./proposed-schedule";
import { Gaps } from "./shelf/gaps";
import { MoveLayer } from "./shelf/move-layer";
import { ShelfTools } from "./shelf/shelf-tools";
import { useDragPiece } from "./shelf/use-drag-piece";
import { useForms, useShelf } from "./shelf/use-shelf";
import { ShelfLine } from "./shelf-line";

interface Props {
	view: LoadView;
	frame: StationProps<"load">["frame"];
	kiln: LoadView["kilns"][number];
	base: ProposalView;
	/** All that may lie on this shelf together: those of the proposal first. */
	pieces: readonly PieceBrief[];
	/** When the plan wants it to be started, ms. */
	startMs: number | null;
	accept: ReturnType<typeof useAct<"acceptLoad">>;
}

/** One load on its shelf, laid by hand as far as one likes: every rule answers at once; beside it the schedule that serves all. */
export function LoadBench({ view, frame, kiln, base, pieces, startMs, accept }: Props) {
	const shelf = shelfOf(kiln);
	const forms = useForms(view, pieces);
	const bench = useShelf(base.places, shelf, frame.clearanceMm, forms);
	const { doc, problems, places, edit } = bench;
	const [chosen, setChosen] = useState<string | null>(null);
	const [swapping, setSwapping] = useState(false);
	const [isLaying, setIsLaying] = useState(false);
	const drag = useDragPiece(shelf, bench, setChosen);
	const of = (id: string) => pieces.find((one) => one.id === id);
	const wrong = new Set(problems.flatMap((one) => (one.kind === "near" ? [one.id, one.otherId] : [one.id])));
	const beside = pieces.filter(({ id }) => !doc.laid.some((one) => one.id === id));
	const isSame =
		doc.laid.length === base.places.length && base.places.every(({ id }) => !beside.some((one) => one.id === id));
	const ids = doc.laid.map(({ id }) => id).sort();
	const other = useView(
		"proposal",
		{ kiln: kiln.id, pieces: ids.join(","), lay: "no" },
		undefined,
		!isSame && ids.length > 0,
	);
	const shown = isSame ? base : other.data;
	const fill = bench.formed.reduce((sum, { form }) => sum + form.areaMm2, 0) / usableMm2(shelf);
	const fillers = view.fillers.filter(
		({ familyId, level }) => familyId === pieces[0]?.familyId && level === pieces[0]?.level,
	);
	const [lotIds, setLotIds] = useState<readonly string[]>([]);
	const lots = lotIds.filter((id) => fillers.some((one) => one.id === id));
	const press = (id: string) => {
		if (swapping && chosen && chosen !== id) edit((before) => swapped(before, chosen, id));
		setSwapping(false);
		setChosen(id);
	};
	const layAgain = async () => {
		setIsLaying(true);
		await bench.again(new Map(pieces.map(({ id }, i) => [id, i])));
		setIsLaying(false);
	};
	const mark = (id: string) =>
		wrong.has(id) ? "wrong" : chosen === id ? "chosen" : doc.pinnedIds.includes(id) ? "pinned" : undefined;
	return (
		<>
			<section aria-label="Shelf" className="flex min-h-0 flex-col gap-2 px-5 py-3">
				<div className="flex items-end justify-between gap-2 max-lg:flex-wrap">
					<ShelfTools
						{...{ doc, chosen, edit, isLaying }}
						steps={bench.steps}
						isSwapping={swapping}
						onSwap={() => setSwapping(!swapping)}
						onAgain={layAgain}
					/>
					<ShelfLine fill={fill} count={doc.laid.length} />
				</div>
				<div className="min-h-0 grow">
					<ShelfMap
						className="h-full"
						{...{ shelf }}
						clearanceMm={frame.clearanceMm}
						doorSide={kiln.doorSide}
						zones={kiln.zones}
						fixtures={kiln.fixtures}
						pieces={places.flatMap((place) =>
							pieces
								.filter(({ id }) => id === place.id)
								.flatMap((piece) => lying(piece, place, view.pictures, mark(piece.id))),
						)}
						above={
							<MoveLayer
								{...{ places, chosen }}
								labelOf={(id) => `${of(id)?.code} ${of(id)?.student ?? ""}${wrong.has(id) ? ", not free" : ""}`}
								shelfHeightMm={shelf.heightMm}
								handlers={drag}
								onPress={press}
							/>
						}
					/>
				</div>
				<ShelfSays {...{ problems, of, swapping }} clearanceMm={frame.clearanceMm} chosen={chosen} />
				<Gaps
					beside={beside}
					shelfKey={JSON.stringify(doc.laid)}
					find={bench.gaps}
					onPut={(one) => edit((before) => putIn(before, one))}
				/>
			</section>
			<section aria-label="Schedule" className="scroll-y flex flex-col gap-3 border-l border-line px-5 py-4">
				<h2>Schedule for {doc.laid.length > 1 ? `all ${doc.laid.length}` : "this load"}</h2>
				{other.error && !isSame && <Trouble error={other.error as TroubleError} />}
				{!shown && ids.length > 0 && !other.error && <p className="text-soft">Reckoning the schedule …</p>}
				{shown && (
					<>
						<ProposedSchedule proposal={shown} pieces={pieces} startMs={startMs} />
						<Trouble error={accept.error} />
						<Caution>
							One level in one load: a tack piece never goes in with full. Metal lies on fibre. Follow the kiln’s and
							the glass maker’s own instructions where they differ.
						</Caution>
						<OwnCautions station="load" />
						<Fillers
							{...{ fillers, chosen: lotIds, onChoose: setLotIds }}
							freeMm2={Math.max(0, (1 - fill) * usableMm2(shelf))}
						/>
						<div className="foot bg-base-200 flex flex-col gap-1">
							<button
								type="button"
								className="btn btn-primary btn-lg text-base"
								disabled={accept.isPending || problems.length > 0 || ids.length === 0}
								onClick={() =>
									accept.send((newId) => ({
										firingId: newId(),
										kilnId: kiln.id,
										startsAt: startMs === null ? null : new Date(startMs).toISOString(),
										pieces: ids.map((id) => ({ pieceId: id, seq: of(id)?.seq ?? 0 })),
										...(lots.length > 0 && { lotIds: lots }),
										laid: doc.laid.map(({ id, xMm, yMm, turnDeg }) => ({ id, xMm, yMm, turnDeg })),
									}))
								}
							>
								{accept.isPending ? "Checking everything again …" : `Accept this load of ${ids.length}`}
							</button>
							<StartLine startMs={startMs} />
							{problems.length > 0 && (
								<p className="text-[13px] text-error">
									Not while pieces lie over the edge, at a post or too near each other.
								</p>
							)}
						</div>
					</>
				)}
			</section>
		</>
	);
}

function StartLine({ startMs }: { startMs: number | null }) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	if (startMs === null) return null;
	return (
		<p className="text-[13px] text-soft">
			to be started <b className="figure">{clockNear(new Date(startMs), new Date(nowMs), timeZone)}</b>, as the plan has
			it
		</p>
	);
}

/** What is wrong with the shelf now, or how it is worked. */
function ShelfSays(props: {
	problems: ReturnType<typeof useShelf>["problems"];
	of(id: string): PieceBrief | undefined;
	swapping: boolean;
	chosen: string | null;
	clearanceMm: number;
}) {
	const { problems, of, swapping, chosen, clearanceMm } = props;
	const figure = useFigure();
	const first = problems[0];
	const words = !first
		? swapping
			? `Press the piece that ${of(chosen ?? "")?.code ?? "it"} changes places with.`
			: `Dashed: the piece after firing, and the ${figure({ mm: clearanceMm })} kept between halos. Drag a piece, or use the arrow keys; R turns it, P pins it.`
		: {
				edge: `${of(first.id)?.code} lies over the edge of what may be used of the shelf.`,
				post: `${of(first.id)?.code} would touch a post, or come nearer than ${figure({ mm: clearanceMm })}.`,
				near: `${of(first.id)?.code} and ${of("otherId" in first ? first.otherId : "")?.code} would touch, or come nearer than ${figure({ mm: clearanceMm })}.`,
			}[first.kind];
	return (
		<p role="status" className={`min-h-[3em] ${first ? "font-semibold text-error" : "text-soft"}`}>
			{words}
			{problems.length > 1 && ` And ${problems.length - 1} more.`}
		</p>
	);
}
