import type { KilnCard } from "@contract/kilns";
import type { SheetPiece } from "@contract/loads";
import { kilnShelvesOf } from "@core/loading/kiln-shelves";
import { shelfWords, shelvesUsed } from "@core/loading/tiers";
import { useEffect, useRef, useState } from "react";
import { Caution, Trouble } from "../../forms/notice";
import { help } from "../../help/load-sheet";
import { useAct } from "../../lib/api";
import { framed, type StationProps } from "../../ui/frame/framed";
import { halvesOf, KilnShelf } from "../../ui/kiln-shelf";
import { OwnCautions } from "../../ui/own-cautions";
import { lying, type OnShelf } from "../../ui/shelf-map";
import { Extra } from "./extra";
import { LoadNav } from "./load-nav";

export default framed("loadSheet", "load", help, LayIn);

/** A load laid into its kiln piece by piece: the next place shown large, each piece confirmed by its code. */
function LayIn({ view, frame }: StationProps<"loadSheet">) {
	const { firing, pieces, pictures } = view;
	const confirm = useAct("confirmPlace");
	const field = useRef<HTMLInputElement>(null);
	const [typed, setTyped] = useState("");
	const [skipped, setSkipped] = useState<readonly string[]>([]);
	// A scanner types where the focus is.
	useEffect(() => field.current?.focus(), []);
	const missing = pieces.filter(({ loadedAt }) => !loadedAt);
	const next = missing.find(({ id }) => !skipped.includes(id)) ?? missing[0];
	const send = (code: string) => {
		confirm.mutate({ firingId: firing.id, code });
		setTyped("");
		field.current?.focus();
	};
	const mark = ({ id, loadedAt }: SheetPiece): OnShelf["mark"] =>
		loadedAt ? "done" : id === next?.id ? "chosen" : undefined;
	const answer = confirm.data;
	const of = shelvesUsed(pieces.map(({ place }) => place));
	// With all of them laid, the shelf that was laid last.
	const shown = next?.place.shelf ?? of - 1;
	return (
		<div className="flex h-full min-h-0 flex-col">
			<LoadNav here="/load/plan">
				<a className="btn btn-sm max-lg:h-11" href={`/load/sheet?firing=${firing.id}`}>
					Print map and lists
				</a>
			</LoadNav>
			<div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_360px] max-lg:block max-lg:overflow-y-auto">
				<section aria-label="Shelf" className="min-h-0 px-5 py-3">
					<KilnShelf
						className="h-full"
						kiln={firing.kiln}
						index={shown}
						of={of}
						halves={halvesOf(firing.family, firing.otherFamily)}
						clearanceMm={frame.clearanceMm}
						pieces={pieces.flatMap((one) => lying(one, one.place, pictures, mark(one)))}
					/>
				</section>
				<section aria-label="Next" className="scroll-y flex flex-col gap-4 border-l border-line px-5 py-4">
					<h1 className="text-lg font-bold">
						Firing <span className="figure">{firing.number}</span> into {firing.kiln.name}
					</h1>
					{next ? (
						<NextPlace piece={next} left={missing.length} all={pieces.length} kiln={firing.kiln} of={of} />
					) : (
						<p className="text-2xl font-bold text-success">All {pieces.length} lie in their places.</p>
					)}
					<form
						className="flex gap-2"
						onSubmit={(event) => {
							event.preventDefault();
							if (typed.trim()) send(typed.trim());
						}}
					>
						<label className="min-w-0 grow">
							<span className="text-soft">Scan or type its code</span>
							<input
								ref={field}
								autoComplete="off"
								autoCapitalize="characters"
								className="input figure h-12 w-full text-xl tracking-widest"
								value={typed}
								onChange={(event) => setTyped(event.target.value)}
							/>
						</label>
						<button type="submit" className="btn btn-primary mt-auto h-12" disabled={confirm.isPending}>
							It lies there
						</button>
					</form>
					<div role="status" className="flex flex-col gap-2">
						{answer?.is === "placed" && (
							<p className="font-semibold text-success">
								<span className="figure">{answer.code}</span> lies in its place.
							</p>
						)}
						{answer?.is === "extra" && <Extra firingId={firing.id} answer={answer} missing={missing} />}
					</div>
					<Trouble error={confirm.error} />
					{next && (
						<div className="flex flex-wrap gap-2">
							<button type="button" className="btn" disabled={confirm.isPending} onClick={() => send(next.code)}>
								{next.code} lies there
							</button>
							<button type="button" className="btn btn-ghost" onClick={() => setSkipped([...skipped, next.id])}>
								It is missing: show the next
							</button>
						</div>
					)}
					{skipped.some((id) => missing.some((one) => one.id === id)) && (
						<p className="text-warning">
							Missing:{" "}
							{missing
								.filter(({ id }) => skipped.includes(id))
								.map(({ code }) => code)
								.join(", ")}
							. Scan another piece to put it in its place, or call the firing off.
						</p>
					)}
					<div className="mt-auto flex flex-col gap-3">
						{missing.length === 0 && (
							<a className="btn btn-primary btn-lg" href={`/fire?firing=${firing.id}`}>
								To the kiln’s start
							</a>
						)}
						<Caution>
							Shelf washed or papered, nothing touching, moulds vented. Glass has sharp edges; a kiln that was hot stays
							hot inside.
						</Caution>
						<OwnCautions station="load" />
					</div>
				</section>
			</div>
		</div>
	);
}

/** What comes next, large enough to be read with a piece in each hand. */
function NextPlace({
	piece,
	left,
	all,
	kiln,
	of,
}: {
	piece: SheetPiece;
	left: number;
	all: number;
	kiln: KilnCard;
	of: number;
}) {
	const { place } = piece;
	const shelf = kilnShelvesOf(kiln).shelf;
	const across = place.xMm < shelf.widthMm / 3 ? "left" : place.xMm > (2 * shelf.widthMm) / 3 ? "right" : "middle";
	const deep = place.yMm > (2 * shelf.heightMm) / 3 ? "far" : place.yMm < shelf.heightMm / 3 ? "near" : "half way";
	return (
		<div>
			<p className="text-soft">
				next, <span className="figure">{all - left + 1}</span> of <span className="figure">{all}</span>
			</p>
			<p className="figure text-5xl font-bold tracking-wider">{piece.code}</p>
			<p className="text-xl font-semibold">{piece.student}</p>
			<p className="text-xl">
				{of > 1 && <b>{shelfWords(place.shelf, of)}, </b>}
				{deep}, {across}
				{place.turnDeg !== 0 && <>, turned {Math.round(place.turnDeg)}°</>}
			</p>
			{piece.body?.turnedOver && <p className="my-1 border-l-4 border-accent pl-3 text-3xl font-bold">upside down</p>}
			{piece.mould && <p className="text-lg font-semibold">on mould {piece.mould}</p>}
			{piece.needsPaper && <p className="text-lg">opaque underneath: on paper, not on wash alone</p>}
		</div>
	);
}
