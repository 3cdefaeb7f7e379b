import type { PieceBrief } from "@contract/pieces";
import type { Views } from "@contract/views";
import { dayWords } from "@formats/time";
import { useState } from "react";
import { Caution, Problems, Trouble } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { help } from "../../help/hand-over";
import { useAct } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { MoreOf } from "../../ui/more-of";
import { OwnCautions } from "../../ui/own-cautions";
import { PieceTag } from "../../ui/piece-tag";
import { PromiseMark, StackBar } from "../../ui/signs";

export default framed("handOver", "handOver", help, HandOver);

/** The finishing bench and the pickup shelf with its numbered spots. */
function HandOver({ view }: StationProps<"handOver">) {
	const [chosenId, setChosenId] = useState<string | null>(null);
	const shelved = view.spots.flatMap(({ pieces }) => pieces);
	const chosen = [...view.ready, ...shelved].find(({ id }) => id === chosenId);
	return (
		<div className="grid h-full min-h-0 grid-cols-[340px_minmax(0,1fr)] max-lg:block max-lg:overflow-y-auto">
			<section className="scroll-y border-r border-line px-5 py-4">
				<h2 className="mb-1">Finishing bench</h2>
				{view.coldWork.length === 0 && <p className="py-2 text-soft">No piece waits for cold work.</p>}
				<ul className="ruled">
					{view.coldWork.map((piece) => (
						<ColdWorkRow key={piece.id} piece={piece} />
					))}
				</ul>
				<MoreOf shown={view.coldWork.length} all={view.all.coldWork} />
				<h2 className="mt-6 mb-1">Ready, needs a spot</h2>
				{view.ready.length === 0 && <p className="py-2 text-soft">Everything ready has its spot.</p>}
				<ul className="ruled">
					{view.ready.map((piece) => (
						<li key={piece.id}>
							<button
								type="button"
								aria-pressed={piece.id === chosenId}
								className={`w-full px-1 text-left ${piece.id === chosenId ? "bg-pick" : "hover:bg-base-100"}`}
								onClick={() => setChosenId(piece.id === chosenId ? null : piece.id)}
							>
								<PieceTag piece={piece} link={false} />
							</button>
						</li>
					))}
				</ul>
				<MoreOf shown={view.ready.length} all={view.all.ready} />
				<div className="mt-6 flex flex-col gap-2">
					<Caution>Wet saws and grinders: guards, and a residual-current breaker. Eye protection.</Caution>
					<Caution>Food use is never claimed here: it depends on the glass maker’s statement and local rules.</Caution>
					<OwnCautions station="handOver" />
				</div>
			</section>
			<section className="flex min-h-0 flex-col px-6 py-4">
				<div className="mb-2 flex items-baseline justify-between">
					<h1>Pickup shelf</h1>
					<p>
						<b className="figure text-2xl">{view.all.shelved}</b> <span className="text-soft">to collect</span>
					</p>
				</div>
				<Shelf spots={view.spots} chosen={chosen} choose={setChosenId} />
				<MoreOf shown={shelved.length} all={view.all.shelved} />
				{chosen?.spot && <CollectForm key={chosen.id} piece={chosen} done={() => setChosenId(null)} />}
				{chosen && !chosen.spot && <p className="pt-3 font-semibold">Press the spot where {chosen.code} goes.</p>}
			</section>
		</div>
	);
}

function ColdWorkRow({ piece }: { piece: PieceBrief }) {
	const finish = useAct("finishColdWork");
	return (
		<li className="py-1">
			<PieceTag piece={piece} />
			<Trouble error={finish.error} />
			<button
				type="button"
				className="btn btn-sm mb-2 w-full"
				disabled={finish.isPending}
				onClick={() => finish.send((id) => ({ pieceId: piece.id, eventId: id(), seq: piece.seq, note: "" }))}
			>
				Ground, washed and dry
			</button>
		</li>
	);
}

function Shelf({
	spots,
	chosen,
	choose,
}: {
	spots: Views["handOver"]["spots"];
	chosen: PieceBrief | undefined;
	choose(id: string | null): void;
}) {
	const shelve = useAct("shelve", () => choose(null));
	const placing = chosen && !chosen.spot ? chosen : undefined;
	return (
		<>
			<div className="scroll-y grid min-h-0 auto-rows-[minmax(104px,1fr)] grid-cols-4 gap-x-2 gap-y-1">
				{spots.map(({ label, pieces }) => (
					<div
						key={label}
						className={`flex flex-col border-b-[6px] border-primary px-2 pt-1 ${placing ? "bg-pick" : "bg-base-100"}`}
					>
						<div className="flex items-baseline justify-between">
							<b className="figure text-lg text-soft">{label}</b>
							{placing && (
								<button
									type="button"
									className="btn btn-sm"
									disabled={shelve.isPending}
									aria-label={`Put ${placing.code} on ${label}`}
									onClick={() =>
										shelve.send((id) => ({ pieceId: placing.id, eventId: id(), seq: placing.seq, spot: label }))
									}
								>
									here
								</button>
							)}
						</div>
						<ul className="mt-auto">
							{pieces.map((piece) => (
								<li key={piece.id}>
									<button
										type="button"
										aria-pressed={piece.id === chosen?.id}
										className={`flex min-h-11 w-full items-end gap-2 pb-0.5 text-left ${piece.id === chosen?.id ? "bg-pick" : "hover:bg-base-200"}`}
										onClick={() => choose(piece.id === chosen?.id ? null : piece.id)}
									>
										<StackBar stack={piece.stack} width={26} />
										<span className="min-w-0">
											<b className="figure block tracking-wide">{piece.code}</b>
											<span className="block truncate">{piece.student}</span>
										</span>
									</button>
								</li>
							))}
						</ul>
					</div>
				))}
			</div>
			<Trouble error={shelve.error} />
		</>
	);
}

function CollectForm({ piece, done }: { piece: PieceBrief; done(): void }) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const form = useActForm("collect", {
		start: { by: "the owner" },
		schema: async () => (await import("@contract/pieces")).actions.collect,
		sent: ({ by }, id) => ({ pieceId: piece.id, eventId: id(), seq: piece.seq, by }),
		done,
	});
	return (
		<form
			className="mt-3 flex flex-wrap items-end gap-4 border-t border-line pt-3"
			aria-label={`Hand over ${piece.code}`}
			noValidate
			onSubmit={form.submit}
		>
			<div>
				<p className="figure text-2xl font-bold tracking-wide">{piece.code}</p>
				<p>
					{piece.student}
					{piece.promisedDay && (
						<span className="text-soft">, promised {dayWords(piece.promisedDay, new Date(nowMs), timeZone)} </span>
					)}
					{piece.promise && <PromiseMark state={piece.promise} />}
				</p>
			</div>
			<label className="flex flex-col gap-1">
				<span className="font-semibold">Collected by</span>
				<input
					className="input h-11 w-56"
					list="collectors"
					value={form.values.by}
					onChange={(event) => form.set("by", event.target.value)}
				/>
				<datalist id="collectors">
					<option value="the owner" />
					<option value="a friend of the owner" />
					<option value="family of the owner" />
				</datalist>
			</label>
			<button type="submit" className="btn btn-primary" disabled={form.pending}>
				Hand over {piece.code}
			</button>
			<Problems problems={form.others()} />
		</form>
	);
}
