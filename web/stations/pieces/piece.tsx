import type { HistoryLine, PieceView } from "@contract/pieces";
import { LEVEL_WORDS } from "@core/firing/level";
import { GLUE_WORDS, NEXT_STEP_WORDS } from "@core/journey/events";
import { STATE_WORDS } from "@core/journey/journey";
import { FAULT_ADVICE } from "@core/journey/propose-next";
import { clockNear, dayAndClock, dayWords } from "@formats/time";
import { TextField } from "../../forms/fields";
import { Problems, Trouble } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { help } from "../../help/piece";
import { useAct } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { useFigure, usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { LevelGlyph, PromiseMark, StackBar } from "../../ui/signs";
import { MeasureAgain } from "./measure-again";
import { OtherMould } from "./other-mould";

export default framed("piece", null, help, Piece);

/** One piece and everything that ever happened to it. */
function Piece({ view }: StationProps<"piece">) {
	const figure = useFigure();
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const { piece } = view;
	const now = new Date(nowMs);
	const made = piece.asMade;
	const wet = piece.state === "queued" && piece.readyFrom !== null && Date.parse(piece.readyFrom) > nowMs;
	const facts: [string, React.ReactNode][] = [
		[
			"Kit",
			view.kitId ? (
				<a key="kit" className="underline" href={`/kits/${view.kitId}`}>
					{piece.kit}
				</a>
			) : (
				piece.kit
			),
		],
		[
			"Stack as planned",
			<span key="stack" className="figure">
				{piece.stackCode}
			</span>,
		],
		[
			"Anneals as",
			`${figure({ mm: piece.effectiveMm })}${piece.body && piece.body.from !== "measured" ? ", by its kit" : ""}`,
		],
		...(made
			? ([
					["As made", `${figure({ mm: made.widthMm })} × ${figure({ mm: made.heightMm })}`],
					["Thickest, thinnest", `${figure({ mm: made.thickestMm })}, ${figure({ mm: made.thinnestMm })}`],
					["Weight", made.massG === null ? "not weighed" : figure({ g: made.massG })],
					...(made.changed ? [["Changed", made.changed]] : []),
				] as [string, React.ReactNode][])
			: []),
		["Class", view.session ? `${view.session.title}, ${dayWords(view.session.day, now, timeZone)}` : "none"],
		[
			"Promised",
			piece.promisedDay ? (
				<span key="promise">
					{dayWords(piece.promisedDay, now, timeZone)} {piece.promise && <PromiseMark state={piece.promise} />}
				</span>
			) : (
				"no day"
			),
		],
	];
	return (
		<div className="grid h-full min-h-0 grid-cols-[360px_minmax(0,1fr)_280px] max-lg:block max-lg:overflow-y-auto">
			<section className="scroll-y border-r border-line px-6 py-5">
				<div className="flex items-center gap-4">
					<StackBar stack={piece.stack} width={44} />
					<div>
						<h1 className="figure text-4xl tracking-wider">{piece.code}</h1>
						<p className="text-lg">{piece.student ?? "nobody’s yet"}</p>
					</div>
				</div>
				<p className="mt-4 text-xl font-bold">
					{wet ? `drying until ${clockNear(piece.readyFrom ?? "", now, timeZone)}` : STATE_WORDS[piece.state]}
					{piece.spot && `, on ${piece.spot}`}
				</p>
				<Route view={view} />
				<dl className="ruled mt-4">
					{facts.map(([name, value]) => (
						<div key={name} className="flex justify-between gap-4 py-1.5">
							<dt className="text-soft">{name}</dt>
							<dd className="figure text-right font-semibold">{value}</dd>
						</div>
					))}
				</dl>
				{view.moulds && <OtherMould key={`mould ${piece.seq}`} piece={piece} moulds={view.moulds} />}
				{piece.state === "queued" && <MeasureAgain key={piece.seq} piece={piece} />}
				<Steps view={view} />
			</section>
			<section className="scroll-y px-6 py-5">
				<h2 className="mb-2">What happened</h2>
				<ol className="ruled">
					{[...view.history].reverse().map((line) => (
						<History key={line.event.seq} line={line} view={view} />
					))}
				</ol>
			</section>
			<section className="scroll-y border-l border-line px-5 py-5">
				<h2 className="mb-2">Photos</h2>
				{view.photos.length === 0 && <p className="text-soft">No photo yet. One is taken at hand-in.</p>}
				<div className="grid grid-cols-2 gap-2">
					{view.photos.map((photo) => (
						<a key={photo.id} href={`/api/photos/${photo.id}`}>
							<img
								src={`/api/photos/${photo.id}?size=small`}
								alt={`${piece.code}, ${dayAndClock(photo.takenAt, timeZone)}`}
								className="w-full"
							/>
						</a>
					))}
				</div>
				<h2 className="mt-5 mb-1">Firings</h2>
				{view.firings.length === 0 && <p className="text-soft">Not fired yet.</p>}
				<ul className="ruled">
					{view.firings.map((firing) => (
						<li key={firing.id} className="flex items-center justify-between gap-2 py-1.5">
							<span>
								<b className="figure">{firing.number}</b> {firing.kiln}
							</span>
							<LevelGlyph level={firing.level} />
						</li>
					))}
				</ul>
				<a className="btn mt-5 w-full" href={`/labels?codes=${piece.code}`}>
					Print its label
				</a>
			</section>
		</div>
	);
}

function Route({ view: { piece, mouldNames: names } }: { view: PieceView }) {
	return (
		<ol className="mt-3 flex flex-wrap gap-x-4 gap-y-1" aria-label="Route">
			{piece.route.map((step, i) => (
				<li key={i} className={`flex items-center gap-2 ${i < piece.step ? "text-soft" : ""}`}>
					<LevelGlyph level={i === piece.step ? piece.level : step.level} />
					{i >= piece.step && step.mouldId && <span className="text-soft">on {names[step.mouldId]}</span>}
					{i < piece.step ? "done" : i === piece.step && piece.state !== "collected" ? "next" : ""}
				</li>
			))}
		</ol>
	);
}

function Steps({ view }: { view: PieceView }) {
	const { piece } = view;
	const undo = useAct("undo");
	const form = useActForm("note", {
		start: { note: "" },
		schema: async () => (await import("@contract/pieces")).actions.note,
		sent: ({ note }, id) => ({ pieceId: piece.id, eventId: id(), note }),
		next: () => ({ note: "" }),
	});
	return (
		<div className="mt-4 flex flex-col gap-2">
			<form className="flex flex-col gap-2" noValidate onSubmit={form.submit}>
				<TextField label="Note" {...form.field("note")} />
				<Problems problems={form.others()} />
				<button type="submit" className="btn btn-sm" disabled={form.pending}>
					Add the note
				</button>
			</form>
			{view.undoable && (
				<button
					type="button"
					className="btn btn-sm btn-ghost"
					disabled={undo.isPending}
					onClick={() => undo.send((id) => ({ pieceId: piece.id, eventId: id(), seq: piece.seq }))}
				>
					Undo the last step
				</button>
			)}
			<Trouble error={undo.error} />
		</div>
	);
}

function History({ line: { event, by, undone }, view }: { line: HistoryLine; view: PieceView }) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const figure = useFigure();
	const firing = (id: string) => {
		const found = view.firings.find((one) => one.id === id);
		return found ? `firing ${found.number}, ${found.kiln}` : "a firing that was called off";
	};
	const words = (): [string, string] => {
		switch (event.type) {
			case "issued":
				return ["Kit issued", event.route.map(({ level }) => LEVEL_WORDS[level]).join(" → ")];
			case "handedIn":
				return [
					"Handed in",
					`${figure({ mm: event.asMade.thickestMm })} at the thickest, ${GLUE_WORDS[event.glue]}, dry ${clockNear(event.readyFrom, new Date(nowMs), timeZone)}, for ${LEVEL_WORDS[event.level]}`,
				];
			case "reglued":
				return [
					"Glued again",
					`${GLUE_WORDS[event.glue]}, dry ${clockNear(event.readyFrom, new Date(nowMs), timeZone)}`,
				];
			case "measured":
				return [
					"Measured again",
					`${figure({ mm: event.asMade.widthMm })} × ${figure({ mm: event.asMade.heightMm })}, ${figure({ mm: event.asMade.thickestMm })} at the thickest, ${figure({ mm: event.asMade.thinnestMm })} at the thinnest`,
				];
			case "remoulded":
				return ["On another mould", view.mouldNames[event.mouldId] ?? "one that is no longer in the book"];
			case "levelled":
				return ["Into another tray", `for ${LEVEL_WORDS[event.level]}`];
			case "placed":
				return ["Put in a load", firing(event.firingId)];
			case "takenOut":
				return ["Taken out of a load", firing(event.firingId)];
			case "firingStarted":
				return ["Into the kiln", firing(event.firingId)];
			case "judged":
				return [
					`Judged: ${event.level === "none" ? "nothing lasting" : LEVEL_WORDS[event.level]}`,
					[
						event.good === undefined ? "" : `${event.good} good`,
						...event.faults.map((fault) => FAULT_ADVICE[fault].word),
						`then ${NEXT_STEP_WORDS[event.next]}`,
						event.note,
					]
						.filter(Boolean)
						.join(", "),
				];
			case "coldWorked":
				return ["Cold work done", event.note];
			case "shelved":
				return [`On pickup spot ${event.spot}`, ""];
			case "collected":
				return ["Collected", `by ${event.by === "owner" ? "the owner" : (view.collectedBy ?? "somebody else")}`];
			case "photographed":
				return ["Photographed", ""];
			case "noted":
				return ["Note", event.note];
			case "undone":
				return ["Step undone", `number ${event.undoes}`];
		}
	};
	const [what, detail] = words();
	return (
		<li className={`grid grid-cols-[8.5rem_1fr] gap-x-4 py-2 ${undone ? "text-soft line-through" : ""}`}>
			<span className="figure text-soft">{dayAndClock(event.at, timeZone)}</span>
			<span>
				<b>{what}</b>
				{detail && <span className="block">{detail}</span>}
				{by && <span className="block text-soft">{by}</span>}
			</span>
		</li>
	);
}
