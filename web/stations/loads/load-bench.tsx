import type { LoadView, ProposalView } from "@contract/loads";
import type { PieceBrief } from "@contract/pieces";
import { kilnShelvesOf } from "@core/loading/kiln-shelves";
import { ranksOf } from "@core/loading/lay-load";
import { layWords } from "@core/loading/lay-words";
import { putIn, swapped } from "@core/loading/shelf-doc";
import { mostTiers, onShelves, SHELF_COUNTS, shelfWords, type Tier } from "@core/loading/tiers";
import { phraseText } from "@core/units/phrase";
import { clockNear } from "@formats/time";
import { useState } from "react";
import { Caution, Trouble } from "../../forms/notice";
import { type TroubleError, type useAct, useView } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { useFigure, usePrefs } from "../../lib/prefs";
import type { StationProps } from "../../ui/frame/framed";
import { KilnShelf } from "../../ui/kiln-shelf";
import { OwnCautions } from "../../ui/own-cautions";
import { lying } from "../../ui/shelf-map";
import { ShelfTabs } from "../../ui/shelf-tabs";
import { Fillers } from "./fillers";
import { ProposedSchedule } from "./proposed-schedule";
import { Further } from "./shelf/further";
import { Gaps } from "./shelf/gaps";
import { MoveLayer } from "./shelf/move-layer";
import { ShelfTools } from "./shelf/shelf-tools";
import { useDragPiece } from "./shelf/use-drag-piece";
import { useBodies, useShelf } from "./shelf/use-shelf";
import { useTiers } from "./shelf/use-tiers";
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
	const bodies = useBodies(view, pieces);
	const ranks = ranksOf(pieces.map(({ promisedDay }) => promisedDay));
	const bench = useShelf(base.places, {
		...{ kiln, clearanceMm: frame.clearanceMm, bodies, reached: base.reached },
		ranks: new Map(pieces.map(({ id }, i) => [id, ranks[i] as number])),
		wanted: [...base.places.map(({ id }) => id), ...base.leftIds],
	});
	const { doc, problems, places, edit } = bench;
	const [chosen, setChosen] = useState<string | null>(null);
	const [swapping, setSwapping] = useState(false);
	const [isLaying, setIsLaying] = useState(false);
	const drag = useDragPiece(kilnShelvesOf(kiln).shelf, bench, setChosen);
	const tiers = useTiers(kiln, doc);
	const { used, of, here } = tiers;
	const [said, setSaid] = useState("");
	const pieceOf = (id: string) => pieces.find((one) => one.id === id);
	const codeOf = (id: string | null) => pieceOf(id ?? "")?.code ?? "it";
	const goes = async () => {
		const found = chosen && (await bench.toShelf(chosen, tiers.next, of));
		setSaid(found ? "" : `${codeOf(chosen)} finds no room on the ${shelfWords(tiers.next, of)}.`);
		if (found) tiers.show(tiers.next);
	};
	const wrong = new Set(problems.flatMap((one) => (one.kind === "near" ? [one.id, one.otherId] : [one.id])));
	const beside = pieces.filter(({ id }) => !doc.laid.some((one) => one.id === id));
	const isSame =
		used === base.shelves &&
		doc.laid.length === base.places.length &&
		base.places.every(({ id }) => !beside.some((one) => one.id === id));
	const ids = doc.laid.map(({ id }) => id).sort();
	const other = useView(
		"proposal",
		{ kiln: kiln.id, pieces: ids.join(","), lay: "no", shelves: SHELF_COUNTS[used - 1] ?? "1" },
		undefined,
		!isSame && ids.length > 0,
	);
	const shown = isSame ? base : other.data;
	const fill = bench.formed.reduce((sum, { form }) => sum + form.areaMm2, 0) / tiers.usableMm2;
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
		await bench.again();
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
						other={of > 1 ? { words: shelfWords(tiers.next, of), onGo: goes } : null}
					/>
					<ShelfLine fill={fill} count={doc.laid.length} />
				</div>
				<ShelfTabs counts={of > 1 ? onShelves(doc.laid, of) : []} shown={here} onShow={tiers.show}>
					{base.reached.length === 1 && of < mostTiers(kiln) && (
						<button type="button" className="btn btn-sm max-lg:h-11" onClick={tiers.put}>
							Put a shelf above
						</button>
					)}
					{of > 1 && <RoomOver tier={tiers.tier} />}
				</ShelfTabs>
				<div className="min-h-0 grow">
					<KilnShelf
						className="h-full"
						{...{ kiln, of }}
						halves={base.reached.length > 1 ? base.reached.map(({ family }) => family.label) : undefined}
						index={here}
						clearanceMm={frame.clearanceMm}
						pieces={places.flatMap((place) =>
							pieces
								.filter(({ id }) => id === place.id)
								.flatMap((piece) => lying(piece, place, view.pictures, mark(piece.id))),
						)}
						above={
							<MoveLayer
								places={places.filter(({ shelf }) => shelf === here)}
								{...{ chosen }}
								labelOf={(id) => `${codeOf(id)} ${pieceOf(id)?.student ?? ""}${wrong.has(id) ? ", not free" : ""}`}
								shelfHeightMm={kiln.shelfHeightMm}
								handlers={drag}
								onPress={press}
							/>
						}
					/>
				</div>
				<ShelfSays {...{ problems, codeOf, swapping, said }} clearanceMm={frame.clearanceMm} chosen={chosen} />
				<Gaps
					beside={beside}
					shelfKey={JSON.stringify([doc.laid, here, of])}
					find={(ids) => bench.gaps(ids, here, of)}
					onPut={(one) => edit((before) => putIn(before, one))}
				>
					<Further {...bench.further} />
				</Gaps>
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
							freeMm2={Math.max(0, (1 - fill) * tiers.usableMm2)}
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
										pieces: ids.map((id) => ({ pieceId: id, seq: pieceOf(id)?.seq ?? 0 })),
										...(lots.length > 0 && { lotIds: lots }),
										laid: doc.laid.map(({ id, xMm, yMm, turnDeg, shelf }) => ({ id, xMm, yMm, turnDeg, shelf })),
									}))
								}
							>
								{accept.isPending ? "Checking everything again …" : `Accept this load of ${ids.length}`}
							</button>
							<StartLine startMs={startMs} />
							{problems.length > 0 && <p className="text-[13px] text-error">Move what is marked red first.</p>}
						</div>
					</>
				)}
			</section>
		</>
	);
}

/** What is free over a shelf, and whether it is hotter than the lowest. */
function RoomOver({ tier }: { tier: Tier }) {
	const figure = useFigure();
	return (
		<span className="ml-2 text-soft">
			<span className="figure">{figure({ mm: tier.clearHeightMm })}</span> free over it
			{tier.offsetK !== 0 && (
				<>
					, <span className="figure">{figure({ signedC: tier.offsetK })}</span> against the lowest
				</>
			)}
		</span>
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
	codeOf(id: string | null): string;
	swapping: boolean;
	/** What came of the last press. */
	said: string;
	chosen: string | null;
	clearanceMm: number;
}) {
	const { problems, codeOf, swapping, said, chosen, clearanceMm } = props;
	const figure = useFigure();
	const { units } = usePrefs();
	const first = problems[0];
	const words = first
		? phraseText(layWords(first, codeOf, clearanceMm), units)
		: swapping
			? `Press the piece that ${codeOf(chosen)} changes places with.`
			: said ||
				`Dashed: the piece after firing, and the ${figure({ mm: clearanceMm })} kept between halos. Drag a piece, or use the arrow keys; R turns it, P pins it.`;
	return (
		<p role="status" className={`min-h-[3em] ${first ? "font-semibold text-error" : "text-soft"}`}>
			{words}
			{problems.length > 1 && ` And ${problems.length - 1} more.`}
		</p>
	);
}
