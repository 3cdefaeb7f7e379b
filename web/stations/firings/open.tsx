import type { FiringPiece, OpenView } from "@contract/firings";
import { FUSE_LEVELS, type FuseLevel, LEVEL_WORDS } from "@core/firing/level";
import { mayOpen } from "@core/firing/may-open";
import { FAULTS, type Fault, NEXT_STEP_WORDS, NEXT_STEPS, type NextStep } from "@core/journey/events";
import { FAULT_ADVICE, proposeNext } from "@core/journey/propose-next";
import { onShelves } from "@core/loading/tiers";
import { phraseText } from "@core/units/phrase";
import { clockNear } from "@formats/time";
import { useState } from "react";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { Caution, Empty, Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { help } from "../../help/open";
import { useNow } from "../../lib/clock";
import { useHouse } from "../../lib/house";
import { usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { KilnHeatFigure } from "../../ui/kiln-heat";
import { halvesOf, KilnShelf } from "../../ui/kiln-shelf";
import { OwnCautions } from "../../ui/own-cautions";
import { lying } from "../../ui/shelf-map";
import { ShelfTabs } from "../../ui/shelf-tabs";
import { LevelGlyph } from "../../ui/signs";

export default framed("open", "open", help, Open);

type Firing = OpenView["firings"][number];
type Person = StationProps<"open">["frame"]["person"];

/** The load map being judged, piece by piece. */
function Open({ view, frame }: StationProps<"open">) {
	const [firingId, setFiringId] = useState<string | null>(null);
	const [code, setCode] = useState<string | null>(null);
	/** A shelf that somebody pressed, as long as the same piece is judged; else that piece's own is shown. */
	const [looked, setLooked] = useState<{ code: string | undefined; shelf: number } | null>(null);
	const firing = view.firings.find(({ id }) => id === firingId) ?? view.firings[0];
	if (!firing)
		return (
			<Empty title="Nothing to open">
				When a kiln has cooled, its load map appears here to be judged piece by piece.
			</Empty>
		);
	// The top shelf comes out first.
	const unjudged = firing.pieces
		.filter(({ judgedLevel }) => judgedLevel === null)
		.sort((a, b) => b.place.shelf - a.place.shelf);
	const piece =
		firing.pieces.find((one) => one.code === code && one.judgedLevel === null) ??
		(firing.state === "opened" ? unjudged[0] : undefined);
	const counts = onShelves(firing.pieces.map(({ place }) => place));
	const its = piece?.place.shelf ?? counts.length - 1;
	const shelf = Math.min(looked && looked.code === piece?.code ? looked.shelf : its, counts.length - 1);
	return (
		<div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_400px] max-lg:block max-lg:overflow-y-auto">
			<section aria-label="Load map" className="flex min-h-0 flex-col gap-2 px-6 py-4">
				<div className="flex items-center justify-between gap-4">
					<div role="group" aria-label="Firing" className="join">
						{view.firings.map((one) => (
							<button
								key={one.id}
								type="button"
								aria-pressed={one.id === firing.id}
								className={`btn join-item ${one.id === firing.id ? "btn-secondary" : ""}`}
								onClick={() => {
									setFiringId(one.id);
									setCode(null);
									setLooked(null);
								}}
							>
								<span className="figure">{one.number}</span> {one.kiln.name}
							</button>
						))}
					</div>
					<ShelfTabs counts={counts} shown={shelf} onShow={(n) => setLooked({ code: piece?.code, shelf: n })} />
					<p className="text-right">
						<b className="figure text-2xl">{firing.pieces.length - unjudged.length}</b>{" "}
						<span className="text-soft">of {firing.pieces.length} judged</span>
					</p>
				</div>
				<div className="min-h-0 grow">
					<KilnShelf
						className="h-full"
						kiln={firing.kiln}
						index={shelf}
						of={counts.length}
						halves={halvesOf(firing.family, firing.otherFamily)}
						clearanceMm={frame.clearanceMm}
						pieces={firing.pieces.flatMap((one) => lying(one, one.place, view.pictures, markOf(one, piece?.code)))}
						{...(firing.state === "opened" ? { onPick: setCode } : {})}
					/>
				</div>
			</section>
			<section className="scroll-y border-l border-line bg-base-100 px-5 py-4">
				{firing.state === "running" ? (
					<OpenForm key={firing.id} firing={firing} person={frame.person} />
				) : piece ? (
					<JudgeForm key={piece.id} piece={piece} firing={firing} />
				) : (
					<Empty title="Every piece is judged">This load is done; the pieces are on their way.</Empty>
				)}
			</section>
		</div>
	);
}

const markOf = (piece: FiringPiece, chosen: string | undefined) =>
	piece.judgedLevel !== null ? ("done" as const) : piece.code === chosen ? ("chosen" as const) : undefined;

function OpenForm({ firing, person }: { firing: Firing; person: Person }) {
	const { timeZone, units } = usePrefs();
	const nowMs = useNow(60);
	const { kilnHeat } = firing;
	const form = useActForm("openFiring", {
		start: {
			firingId: firing.id,
			earlyReason: "",
			displayC: null as number | null,
			readBy: person.name,
			second: { email: "", password: "", code: "" },
		},
		schema: async () => (await import("@contract/firings")).actions.openFiring,
		sent: ({ firingId, earlyReason, displayC, readBy, second: { code, ...second } }) => ({
			firingId,
			earlyReason,
			...(displayC !== null && { display: { c: displayC, readBy } }),
			...(second.email !== "" && { second: { ...second, ...(code !== "" && { code }) } }),
		}),
	});
	const { displayC, readBy } = form.values;
	// What the server will say, said while it is typed.
	const opening =
		displayC === null
			? firing.opening
			: mayOpen(
					firing.openAt ? Date.parse(firing.openAt) : null,
					{ how: "read", readC: displayC, at: new Date(nowMs).toISOString(), readBy },
					nowMs,
				);
	const isInstructor = person.role === "instructor";
	const { earlyByTwo } = useHouse().customs;
	return (
		<form className="flex flex-col gap-4" noValidate onSubmit={form.submit}>
			<h1 className="text-xl">Open {firing.kiln.name}</h1>
			<div>
				<span className="text-soft">kiln air now</span>
				<KilnHeatFigure heat={kilnHeat} className="text-4xl" soft="text-soft" />
			</div>
			{firing.openAt && (
				<p>
					<span className="text-soft">open not before</span>
					<b className="figure block text-2xl">{clockNear(firing.openAt, new Date(nowMs), timeZone)}</b>
					{firing.speedUp > 1 && (
						<span className="font-semibold text-accent">the stand-in’s clock runs ×{firing.speedUp}</span>
					)}
				</p>
			)}
			{kilnHeat.how !== "measured" && (
				<div className="grid grid-cols-2 gap-3">
					<NumberField
						kind="temperature"
						label="Its display says"
						hint={
							kilnHeat.how === "nothing" && kilnHeat.why === "sensorFault" ? "Not by the sensor that is at fault." : ""
						}
						{...form.number("displayC")}
					/>
					<TextField label="Read by" {...form.field("readBy")} />
				</div>
			)}
			{!opening.may && <p className="font-semibold">{phraseText(opening.why, units)}</p>}
			{!opening.may && isInstructor && (
				<TextField
					label="Open earlier, because"
					hint="Opened early it can crack, and everything is lost. The reason is kept with the firing."
					{...form.field("earlyReason")}
				/>
			)}
			{!opening.may && isInstructor && earlyByTwo && (
				<div role="group" aria-label="The second person" className="border-l-4 border-warning pl-3">
					<p className="mb-1">Two people open a hot kiln here. The second one:</p>
					<div className="grid grid-cols-2 gap-3">
						<TextField label="E-mail" type="email" autoComplete="off" {...form.field("second.email")} />
						<TextField label="Password" type="password" autoComplete="off" {...form.field("second.password")} />
					</div>
					{(form.errorAt("second.code") || form.values.second.code !== "") && (
						<TextField label="Code" inputMode="numeric" autoComplete="one-time-code" {...form.field("second.code")} />
					)}
				</div>
			)}
			<Problems problems={form.others()} />
			<button
				type="submit"
				className={`btn ${opening.may ? "btn-primary" : ""}`}
				disabled={form.pending || (!opening.may && !isInstructor)}
			>
				{opening.may ? "The kiln is open" : "Open it all the same"}
			</button>
			<Caution>
				Thick glass and moulds are hotter than the air in the kiln. Hot glass does not look hot: gloves.
			</Caution>
			<OwnCautions station="open" />
		</form>
	);
}

const REACHED = [
	{ value: "none" as const, label: "nothing lasting" },
	...FUSE_LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] })),
];

function JudgeForm({ piece, firing }: { piece: FiringPiece; firing: Firing }) {
	const bodies = piece.planned?.bodies ?? 1;
	/** A kit of loose ones is counted: as many as were laid, or were good the last time, until somebody says fewer. */
	const loose = bodies > 1 ? (piece.good ?? bodies) : null;
	const proposed = (level: FuseLevel | "none", faults: readonly Fault[], good: number | null) =>
		proposeNext(piece.expectedLevel, level, faults, piece.route, piece.step, good);
	const form = useActForm("judge", {
		start: {
			level: piece.expectedLevel as FuseLevel | "none",
			faults: [] as Fault[],
			/** As proposed, until the person chooses. */
			own: null as NextStep | null,
			note: "",
			good: loose as number | null,
		},
		schema: async () => (await import("@contract/firings")).actions.judge,
		sent: ({ own, level, faults, note, good }, id) => ({
			pieceId: piece.id,
			eventId: id(),
			seq: piece.seq,
			firingId: firing.id,
			level,
			faults,
			next: own ?? proposed(level, faults, good).next,
			note,
			...(good !== null && { good }),
		}),
	});
	const { level, faults, own, good } = form.values;
	const proposal = proposed(level, faults, good);
	const next = own ?? proposal.next;
	const hasNext = piece.route[piece.step + 1] !== undefined;
	return (
		<form className="flex flex-col gap-3" aria-label={`Judge ${piece.code}`} noValidate onSubmit={form.submit}>
			<div className="flex items-start justify-between gap-3">
				<div>
					<h1 className="figure tracking-wide">{piece.code}</h1>
					<p>
						{piece.student}, <span className="text-soft">{piece.kit}</span>
					</p>
				</div>
				<div className="text-right text-soft">
					expected <LevelGlyph level={piece.expectedLevel} />
				</div>
			</div>
			{piece.body?.turnedOver && (
				<p className="border-l-4 border-accent pl-3">
					It was fired <b>upside down</b>: turn it over, the side that lay on the shelf is its face.
				</p>
			)}
			<ChoiceField label="It reached" options={REACHED} {...form.field("level")} />
			{loose !== null && (
				<div className="grid grid-cols-[120px_1fr] items-end gap-3">
					<NumberField kind="count" label="Good ones" {...form.number("good")} />
					<p className="pb-2">
						of <b className="figure text-xl">{loose}</b>
						{good !== null && good < loose && <span className="text-soft">, {loose - good} spoiled</span>}
					</p>
				</div>
			)}
			<fieldset>
				<legend className="mb-1 font-semibold">Found</legend>
				<div className="grid grid-cols-2 gap-x-3">
					{FAULTS.map((fault) => (
						<label
							key={fault}
							className="flex min-h-9 cursor-pointer items-center gap-2"
							title={FAULT_ADVICE[fault].cause}
						>
							<input
								type="checkbox"
								className="checkbox checkbox-sm checkbox-secondary"
								checked={faults.includes(fault)}
								onChange={() =>
									form.set(
										"faults",
										faults.includes(fault) ? faults.filter((one) => one !== fault) : [...faults, fault],
									)
								}
							/>
							{FAULT_ADVICE[fault].word}
						</label>
					))}
				</div>
			</fieldset>
			{faults.map((fault) => (
				<p key={fault} className="border-l-2 border-line pl-3 text-soft">
					<b className="text-base-content">{FAULT_ADVICE[fault].word}</b>: likely {FAULT_ADVICE[fault].cause}.
				</p>
			))}
			<fieldset>
				<legend className="mb-1">
					<b>Then</b>{" "}
					<span className="text-soft">
						proposed: {NEXT_STEP_WORDS[proposal.next]}, {proposal.why}
					</span>
				</legend>
				<div className="join grid grid-flow-col">
					{NEXT_STEPS.filter((one) => one !== "nextFiring" || hasNext).map((one) => (
						<button
							key={one}
							type="button"
							aria-pressed={next === one}
							className={`btn join-item px-1 text-[13.5px] ${next === one ? "btn-secondary" : ""}`}
							onClick={() => form.set("own", one)}
						>
							{NEXT_STEP_WORDS[one]}
						</button>
					))}
				</div>
			</fieldset>
			<TextField label="Note" {...form.field("note")} />
			<Problems problems={form.others()} />
			<div className="foot bg-base-100 flex flex-col">
				<button type="submit" className="btn btn-primary" disabled={form.pending}>
					{form.pending ? "Saving …" : `${piece.code} → ${NEXT_STEP_WORDS[next]}`}
				</button>
			</div>
			<Caution>Big bubbles leave thin, razor-sharp shells. Dry shelf paper is dust: respirator, damp clean-up.</Caution>
		</form>
	);
}
