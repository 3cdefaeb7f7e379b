import type { MicrowaveRunBrief, MicrowaveView } from "@contract/microwave";
import { inUse } from "@core/glass/glass";
import { energyWs, LOOK_WORDS, LOOKS, type Look, type MicrowaveStep } from "@core/microwave/programme";
import { coolingMin, type MicrowaveRecord, suggestProgramme } from "@core/microwave/suggest";
import { formatMinutes } from "@core/units/duration";
import { phraseText } from "@core/units/phrase";
import { clock, dayAndClock } from "@formats/time";
import { useState } from "react";
import { ChoiceField, TextField } from "../../forms/fields";
import { Caution, Empty, Trouble } from "../../forms/notice";
import { help } from "../../help/microwave";
import { useAct } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { FireNav } from "../firings/fire-nav";
import { OvenForm } from "./oven-form";
import { Stepper } from "./stepper";

export default framed("microwave", "fire", help, MicrowaveStation);

const lookOptions = LOOKS.map((value) => ({ value, label: LOOK_WORDS[value] }));

const asRecord = ({
	id,
	blockId,
	ovenId,
	steps,
	looks,
	outcome,
	fired,
	heatedAt,
	openedAt,
	early,
}: MicrowaveRunBrief) =>
	outcome === null
		? []
		: [
				{
					id,
					blockId,
					ovenId,
					steps,
					looks,
					outcome,
					fired,
					coolingMin:
						heatedAt && openedAt && !early ? Math.round((Date.parse(openedAt) - Date.parse(heatedAt)) / 60_000) : null,
				} satisfies MicrowaveRecord,
			];

/** The microwave block: its record is its model. A programme, a big clock, looks under the lid, and the long cooling. */
function MicrowaveStation({ view, frame }: StationProps<"microwave">) {
	const [blockId, setBlockId] = useState(view.blocks[0]?.id ?? "");
	const block = view.blocks.find(({ id }) => id === blockId);
	const current = view.runs.find((run) => run.blockId === blockId && run.openedAt === null);
	const records = view.runs.flatMap(asRecord);
	return (
		<div className="flex h-full min-h-0 flex-col">
			<FireNav here="/fire/microwave" />
			{block ? (
				<div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_360px] max-lg:block max-lg:overflow-y-auto">
					<section aria-label="Stepper" className="scroll-y px-6 py-4">
						<div className="mb-3 flex items-baseline gap-4">
							<h1>{block.name}</h1>
							<span className="text-soft">
								<b className="figure text-base-content">{block.uses}</b> uses
							</span>
							{view.blocks.length > 1 &&
								view.blocks.map(({ id, name }) => (
									<button
										key={id}
										type="button"
										className="btn btn-sm"
										aria-pressed={id === blockId}
										onClick={() => setBlockId(id)}
									>
										{name}
									</button>
								))}
						</div>
						{current ? (
							<Stepper
								key={current.id}
								run={current}
								cooling={coolingMin(records, blockId)}
								lessonEndsAt={view.lessonEndsAt}
							/>
						) : (
							<Plan view={view} blockId={blockId} records={records} />
						)}
					</section>
					<section aria-label="Record" className="scroll-y border-l border-line px-5 py-4">
						<RecordList runs={view.runs.filter((run) => run.blockId === blockId && run.openedAt !== null)} />
						{frame.person.role === "instructor" && <OvenForm ovens={view.ovens} />}
						<div className="mt-4 flex flex-col gap-2">
							<Caution>
								Heat-proof tiles under the block, nothing that burns near it, and never leave it in the last steps.
							</Caution>
							<Caution>
								No wire, foil or metal-backed glass unless the block’s maker allows it. Small pieces only: it cannot
								anneal.
							</Caution>
							<Caution>Lid tilted for a moment only: infrared eyewear, gloves. No food in that oven again.</Caution>
						</div>
					</section>
				</div>
			) : (
				<Empty title="No microwave block is in the book">
					Add one under Kilns: a small lidded block that is heated in a microwave oven, for a brooch or two.
				</Empty>
			)}
		</div>
	);
}

interface PlanProps {
	view: MicrowaveView;
	blockId: string;
	records: readonly MicrowaveRecord[];
}

/** A programme before it begins: suggested from the records, changed by hand. */
function Plan({ view, blockId, records }: PlanProps) {
	const { units, timeZone } = usePrefs();
	const nowMs = useNow();
	const ovens = inUse(view.ovens);
	const [ovenId, setOvenId] = useState(ovens[0]?.id ?? "");
	const [wanted, setWanted] = useState<Look>("rounded");
	const [fired, setFired] = useState(false);
	const [what, setWhat] = useState("");
	const [own, setOwn] = useState<MicrowaveStep[] | null>(null);
	const start = useAct("startMicrowave");
	const oven = ovens.find(({ id }) => id === ovenId);
	if (!oven) return <p className="text-soft">Write an oven down first, with the powers it can be set to.</p>;
	const suggestion = suggestProgramme(records, { blockId, ovenId, watts: oven.watts, outcome: wanted, fired });
	const steps = own ?? suggestion.steps;
	const cooling = coolingMin(records, blockId);
	const heatS = steps.reduce((sum, { seconds }) => sum + seconds, 0);
	const wholeMin = heatS / 60 + 3 + cooling.min;
	const lateMs = view.lessonEndsAt ? nowMs + wholeMin * 60_000 - Date.parse(view.lessonEndsAt) : 0;
	const set = (i: number, change: Partial<MicrowaveStep>) =>
		setOwn(steps.map((step, k) => (k === i ? { ...step, ...change } : step)));
	const fresh = (act: () => void) => {
		setOwn(null);
		act();
	};
	return (
		<div className="flex max-w-3xl flex-col gap-4">
			<div className="grid grid-cols-4 gap-3 max-lg:grid-cols-2">
				<ChoiceField<string>
					label="Oven"
					value={ovenId}
					options={ovens.map(({ id, name }) => ({ value: id, label: name }))}
					onChange={(id) => fresh(() => setOvenId(id))}
				/>
				<ChoiceField<Look>
					label="Until it is"
					value={wanted}
					options={lookOptions}
					onChange={(look) => fresh(() => setWanted(look))}
				/>
				<ChoiceField<"no" | "yes">
					label="Fired before"
					value={fired ? "yes" : "no"}
					options={[
						{ value: "no", label: "no" },
						{ value: "yes", label: "yes" },
					]}
					onChange={(answer) => fresh(() => setFired(answer === "yes"))}
				/>
				<TextField label="What it is" value={what} onChange={setWhat} />
			</div>
			<div className="flex items-end justify-between gap-4">
				<p>
					<b className="figure text-4xl tracking-tight">{formatMinutes(heatS / 60)}</b> of heat,{" "}
					<b className="figure">{(energyWs(steps) / 60_000).toFixed(1)} kW·min</b>
					<span className="block text-soft">
						{own ? "changed by hand" : phraseText(suggestion.because, units)}
						{suggestion.fromIds.length > 1 &&
							!own &&
							` They took ${(suggestion.range.from / 60_000).toFixed(1)} to ${(suggestion.range.to / 60_000).toFixed(1)} kW·min.`}
					</span>
				</p>
				<p className="text-right">
					then closed for <b className="figure text-2xl">{formatMinutes(cooling.min)}</b>
					<span className="block text-soft">
						{cooling.from > 0 ? `from ${cooling.from} records of this block` : "nobody has noted it for this block yet"}
					</span>
				</p>
			</div>
			{view.lessonEndsAt && (
				<p className={lateMs > 0 ? "font-semibold text-error" : "text-soft"}>
					{lateMs > 0
						? `The lesson ends at ${clock(view.lessonEndsAt, timeZone)}: it could not be touched before then, ${formatMinutes(lateMs / 60_000)} too late.`
						: `The lesson ends at ${clock(view.lessonEndsAt, timeZone)}: the heat has to end by ${clock(new Date(Date.parse(view.lessonEndsAt) - cooling.min * 60_000), timeZone)}.`}
				</p>
			)}
			<div className="flex gap-3">
				<button
					type="button"
					className="btn btn-primary btn-lg"
					disabled={start.isPending}
					onClick={() =>
						start.send((id) => ({ runId: id(), blockId, ovenId, what: what.trim(), wanted, fired, plan: steps }))
					}
				>
					The block is in the oven
				</button>
				<button
					type="button"
					className="btn btn-lg"
					onClick={() => setOwn([...steps, { watts: steps.at(-1)?.watts ?? oven.watts[0] ?? 500, seconds: 30 }])}
				>
					30 s more
				</button>
			</div>
			<ol className="ruled">
				{steps.map(({ watts, seconds }, i) => (
					<li key={i} className="grid grid-cols-[2rem_10rem_10rem_1fr_auto] items-center gap-3 py-1.5">
						<span className="figure text-soft">{i + 1}</span>
						<select
							className="select select-sm h-9 max-lg:h-11"
							aria-label={`Power of step ${i + 1}`}
							value={watts}
							onChange={(event) => set(i, { watts: Number(event.target.value) })}
						>
							{oven.watts.map((one) => (
								<option key={one} value={one}>
									{one} W, {Math.round((one / Math.max(...oven.watts)) * 100)} %
								</option>
							))}
						</select>
						<span className="flex items-center gap-2">
							<input
								className="input input-sm figure h-9 w-20 text-right max-lg:h-11"
								type="number"
								min="5"
								step="5"
								aria-label={`Seconds of step ${i + 1}`}
								value={seconds}
								onChange={(event) => set(i, { seconds: Math.max(5, Number(event.target.value) || 5) })}
							/>
							s
						</span>
						<span className="text-soft">{i === 0 ? "" : "look in before it; turn the block"}</span>
						<button
							type="button"
							className="btn btn-ghost btn-sm max-lg:h-11"
							disabled={steps.length < 2}
							aria-label={`Take out step ${i + 1}`}
							onClick={() => setOwn(steps.filter((_, k) => k !== i))}
						>
							out
						</button>
					</li>
				))}
			</ol>
			<Trouble error={start.error} />
		</div>
	);
}

function RecordList({ runs }: { runs: readonly MicrowaveRunBrief[] }) {
	const { timeZone } = usePrefs();
	return (
		<>
			<h2 className="mb-1">What it did before</h2>
			{runs.length === 0 && <p className="text-soft">Nothing yet. The first runs teach it: note every look.</p>}
			<ul className="ruled">
				{runs.slice(0, 20).map(({ id, startedAt, oven, what, wanted, outcome, steps, looks, note, fired, early }) => (
					<li key={id} className="py-2">
						<p className="flex justify-between gap-2">
							<b>{what || "a piece"}</b>
							<span className={`whitespace-nowrap ${outcome === wanted ? "" : "font-semibold text-warning"}`}>
								{outcome && LOOK_WORDS[outcome]}
								{outcome !== wanted && `, wanted ${LOOK_WORDS[wanted]}`}
							</span>
						</p>
						<p className="figure text-soft">
							{dayAndClock(startedAt, timeZone)}, {oven}
							{fired && ", fired before"}
							<span className="block">
								{stepsInWords(steps)} = {(energyWs(steps) / 60_000).toFixed(1)} kW·min
							</span>
							{looks.map(({ s, seen }) => (
								<span key={`${s}${seen}`} className="mr-2">
									{clockOf(s)} {LOOK_WORDS[seen]}
								</span>
							))}
							{early && <b className="block text-warning">opened before it could be touched</b>}
							{note && <span className="block">{note}</span>}
						</p>
					</li>
				))}
			</ul>
		</>
	);
}

/** Seconds as "8:30". */
const clockOf = (s: number) => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, "0")}`;

/** "350 W 4:00, 500 W 4:00, 500 W 0:30 ×2" */
export function stepsInWords(steps: readonly MicrowaveStep[]): string {
	const words: { text: string; times: number }[] = [];
	for (const { watts, seconds } of steps) {
		const text = `${watts} W ${clockOf(seconds)}`;
		const last = words.at(-1);
		if (last?.text === text) last.times++;
		else words.push({ text, times: 1 });
	}
	return words.map(({ text, times }) => (times > 1 ? `${text} ×${times}` : text)).join(", ");
}
