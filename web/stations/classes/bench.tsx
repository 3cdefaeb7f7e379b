import type { Seat } from "@contract/classes";
import type { PieceBrief } from "@contract/pieces";
import { STATE_WORDS } from "@core/journey/journey";
import { counted } from "@core/units/counted";
import { useState } from "react";
import { ChoiceField } from "../../forms/fields";
import { Caution, Trouble } from "../../forms/notice";
import { help } from "../../help/bench";
import { useAct } from "../../lib/api";
import { framed, type StationProps } from "../../ui/frame/framed";
import { OwnCautions } from "../../ui/own-cautions";
import { NoClass, SessionPicker } from "../../ui/session-picker";
import { LevelGlyph, StackBar } from "../../ui/signs";
import { HandInForm } from "./hand-in-form";

export default framed("bench", "bench", help, Bench);

/** Today's class at its seats: safety talk, kit, hand-in one after another. */
function Bench({ view }: StationProps<"bench">) {
	const [chosen, setChosen] = useState<readonly string[]>([]);
	const [handInId, setHandInId] = useState<string | null>(null);
	const { session, seats } = view;
	if (!session) return <NoClass title="No class in the book" />;
	const inHand = seats.flatMap(({ pieces, name }) =>
		pieces.filter(({ state }) => state === "issued").map((piece) => ({ piece, name })),
	);
	const current = inHand.find(({ piece }) => piece.id === handInId);
	const toggle = (id: string) => setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
	return (
		<div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_380px] max-lg:block max-lg:overflow-y-auto">
			<section className="scroll-y px-6 py-4">
				<div className="mb-3 flex items-center justify-between gap-4">
					<SessionPicker sessions={view.sessions} session={session} path="/bench" />
					<button
						type="button"
						className="btn btn-sm"
						onClick={() => setChosen(chosen.length === seats.length ? [] : seats.map(({ studentId }) => studentId))}
					>
						{chosen.length === seats.length ? "Choose none" : "Choose all"}
					</button>
				</div>
				<ol className="grid grid-cols-2 gap-x-8">
					{seats.map((seat) => (
						<SeatRow
							key={seat.studentId}
							seat={seat}
							chosen={chosen.includes(seat.studentId)}
							onToggle={() => toggle(seat.studentId)}
							onHandIn={setHandInId}
							handInId={handInId}
						/>
					))}
				</ol>
			</section>
			<section className="scroll-y border-l border-line bg-base-100 px-5 py-4">
				{current ? (
					<HandInForm
						key={current.piece.id}
						piece={current.piece}
						name={current.name}
						onDone={() => setHandInId(inHand.find(({ piece }) => piece.id !== current.piece.id)?.piece.id ?? null)}
						onCancel={() => setHandInId(null)}
					/>
				) : (
					<Hands view={view} chosen={chosen} clear={() => setChosen([])} />
				)}
			</section>
		</div>
	);
}

function SeatRow({
	seat,
	chosen,
	onToggle,
	onHandIn,
	handInId,
}: {
	seat: Seat;
	chosen: boolean;
	onToggle(): void;
	onHandIn(id: string): void;
	handInId: string | null;
}) {
	return (
		<li className={`border-t border-line py-2 ${chosen ? "bg-pick" : ""}`}>
			<label className="flex min-h-11 cursor-pointer items-center gap-3">
				<input type="checkbox" className="checkbox checkbox-secondary" checked={chosen} onChange={onToggle} />
				<span className="figure w-6 text-xl font-bold text-soft">{seat.seat}</span>
				<span className="min-w-0 grow">
					<b className="block truncate text-base">{seat.name}</b>
					<span className={seat.safetySigned ? "text-soft" : "font-semibold text-warning"}>
						{seat.safetySigned ? "safety talk signed" : "no safety talk yet"}
					</span>
				</span>
			</label>
			{seat.pieces.map((piece) => (
				<PieceAtSeat key={piece.id} piece={piece} onHandIn={() => onHandIn(piece.id)} active={piece.id === handInId} />
			))}
			{seat.pieces.length === 0 && (
				<p className="py-1 pl-9 text-soft">
					no kit yet{seat.chose.length > 0 && <b className="text-base-content">, chose {seat.chose.join(", ")}</b>}
				</p>
			)}
		</li>
	);
}

function PieceAtSeat({ piece, onHandIn, active }: { piece: PieceBrief; onHandIn(): void; active: boolean }) {
	return (
		<div className={`flex items-center gap-3 py-1 pl-9 ${active ? "bg-pick" : ""}`}>
			<StackBar stack={piece.stack} />
			<a href={`/piece/${piece.code}`} className="figure text-base font-bold tracking-wide hover:underline">
				{piece.code}
			</a>
			<LevelGlyph level={piece.level} label={false} />
			<span className="min-w-0 grow truncate text-soft">{piece.kit}</span>
			{piece.state === "issued" ? (
				<button type="button" className="btn btn-sm" onClick={onHandIn} aria-label={`Hand in ${piece.code}`}>
					Hand in
				</button>
			) : (
				<span className="text-soft">{piece.state === "queued" ? "handed in" : STATE_WORDS[piece.state]}</span>
			)}
		</div>
	);
}

/** What the chosen students get: the safety talk, a kit, labels. */
function Hands({
	view,
	chosen,
	clear,
}: {
	view: StationProps<"bench">["view"];
	chosen: readonly string[];
	clear(): void;
}) {
	const { session, seats, kits } = view;
	const [kitId, setKitId] = useState(kits[0]?.id ?? "");
	const sign = useAct("signSafety", clear);
	const issue = useAct("issueKits", clear);
	const unsigned = seats.filter(({ studentId, safetySigned }) => chosen.includes(studentId) && !safetySigned);
	const codes = seats.flatMap(({ pieces }) => pieces.filter(({ state }) => state === "issued").map(({ code }) => code));
	if (!session) return null;
	const sessionId = session.id;
	return (
		<div className="flex flex-col gap-4">
			<h1 className="text-xl">
				{chosen.length === 0 ? "Choose seats" : `${counted(chosen.length, "student")} chosen`}
			</h1>
			<p className="text-soft">
				Tick one seat or all of them, then give them what they need. Press “Hand in” beside a piece when it is finished.
			</p>
			<button
				type="button"
				className="btn"
				disabled={unsigned.length === 0 || sign.isPending}
				onClick={() => sign.mutate({ sessionId, studentIds: unsigned.map(({ studentId }) => studentId) })}
			>
				Heard and signed the safety talk{unsigned.length > 0 && ` (${unsigned.length})`}
			</button>
			<Trouble error={sign.error} />
			<ChoiceField
				label="Kit"
				value={kitId}
				onChange={setKitId}
				options={kits.map(({ id, document }) => ({ value: id, label: document.name }))}
			/>
			<button
				type="button"
				className="btn btn-primary"
				disabled={chosen.length === 0 || issue.isPending}
				onClick={() =>
					issue.send((id) => ({
						sessionId,
						kitId,
						promisedDay: session.promisedDay,
						issues: chosen.map((studentId) => ({ pieceId: id(), eventId: id(), studentId })),
					}))
				}
			>
				{issue.isPending ? "Issuing …" : "Issue this kit to each"}
			</button>
			<Trouble error={issue.error} />
			{issue.data && (
				<p role="status" className="font-semibold text-success">
					Issued {issue.data.codes.join(", ")}.
				</p>
			)}
			{codes.length > 0 && (
				<a className="btn" href={`/labels?codes=${codes.join(",")}`}>
					Labels for {codes.length} pieces in hand
				</a>
			)}
			<div className="mt-2 flex flex-col gap-2 border-t border-line pt-3">
				<Caution>
					Safety talk first: eye protection, no fingers along edges, powders only with a respirator, hot glass does not
					look hot.
				</Caution>
				<Caution>
					Clean the glass: fingerprints and dirt turn cloudy at the edge. One dot of glue a part, never puddles.
				</Caution>
				<Caution>Under sixteens work with an adult.</Caution>
				<OwnCautions station="bench" />
			</div>
		</div>
	);
}
