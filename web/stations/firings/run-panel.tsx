import type { FiringCard, ReadingsView } from "@contract/firings";
import type { KilnCommand } from "@core/kiln/register-map";
import { ALARM_WORDS } from "@core/kiln/watch";
import { formatMinutes } from "@core/units/duration";
import { phraseText } from "@core/units/phrase";
import { clock } from "@formats/time";
import { useState } from "react";
import { Check } from "../../forms/check";
import { NumberField, TextField } from "../../forms/fields";
import { Problems, Trouble } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { useAct } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { useFigure, usePrefs } from "../../lib/prefs";
import type { Frame } from "../../ui/frame/frame";
import { SeverityMark } from "../../ui/signs";

const QUICK = ["looked in", "lid opened a little", "vent closed", "smells of glue", "all quiet"] as const;
const STATUS_WORDS = {
	idle: "the controller is idle",
	running: "the controller follows its programme",
	held: "held by hand",
	complete: "programme done, cooling by itself",
	powerLost: "waits after a power cut",
	sensorOpen: "its sensor is open",
} as const;

interface Props {
	firing: FiringCard;
	readings: ReadingsView;
	frame: Frame;
}

/** A firing under way: what the controller says, what went wrong, notes with one tap, and what may be done from here. */
export function RunPanel({ firing, readings, frame }: Props) {
	const figure = useFigure();
	const { units } = usePrefs();
	const nowMs = useNow();
	const { latest, cut } = readings;
	const segments = firing.schedule.segments.length;
	const agoMin = latest ? (nowMs - Date.parse(latest.at)) / 60_000 : null;
	return (
		<div className="mt-3 flex flex-col gap-3">
			{cut && (
				<div className="border-l-4 border-warning bg-warning/10 px-3 py-2">
					<p>
						<SeverityMark severity={cut.severity} /> {phraseText(cut.happened, units)}
					</p>
					<p className="mt-1 font-semibold">{phraseText(cut.next, units)}</p>
				</div>
			)}
			{latest ? (
				<p>
					{latest.status ? STATUS_WORDS[latest.status] : "being read"}
					{latest.segment !== null && `, segment ${latest.segment + 1} of ${segments}`}
					<span className="block text-soft">
						{latest.setC !== null && `set point ${figure({ c: latest.setC })}, `}
						{latest.duty !== null && `${Math.round(latest.duty * 100)} % power, `}
						{latest.kwh !== null && `${latest.kwh.toFixed(1)} kWh so far, `}
						read {agoMin !== null && agoMin > 1 ? `${formatMinutes(agoMin)} ago` : "just now"}
					</span>
				</p>
			) : (
				<p className="text-soft">
					{firing.kiln.line
						? "Nothing was read from this kiln yet."
						: "Nothing measures this kiln: look at its own display, and write down what it says."}
				</p>
			)}
			{readings.kilnHeat && readings.kilnHeat.how !== "measured" && (
				<DisplayForm kilnId={firing.kiln.id} person={frame.person.name} />
			)}
			<Notes firing={firing} readings={readings} />
			<Past alarms={readings.alarms} />
			<Steering firing={firing} instructor={frame.person.role === "instructor"} />
			{firing.kiln.line === "standIn" && (
				<StandInPanel kilnId={firing.kiln.id} instructor={frame.person.role === "instructor"} />
			)}
		</div>
	);
}

/** What somebody reads off the kiln’s own display, where nothing measures it. */
function DisplayForm({ kilnId, person }: { kilnId: string; person: string }) {
	const form = useActForm("readDisplay", {
		start: { c: Number.NaN, readBy: person },
		schema: async () => (await import("@contract/kilns")).actions.readDisplay,
		sent: ({ c, readBy }, id) => ({ readingId: id(), kilnId, c, readBy }),
		next: ({ readBy }) => ({ c: Number.NaN, readBy }),
	});
	return (
		<form className="grid grid-cols-[1fr_1fr_auto] items-end gap-2" noValidate onSubmit={form.submit}>
			<NumberField kind="temperature" label="Display says" {...form.number("c")} />
			<TextField label="Read by" {...form.field("readBy")} />
			<button type="submit" className="btn h-11" disabled={form.pending}>
				Note it
			</button>
			<div className="col-span-3">
				<Problems problems={form.others()} />
			</div>
		</form>
	);
}

/** What went wrong in this firing and is over. What goes on stands at the foot of every screen. */
function Past({ alarms }: { alarms: ReadingsView["alarms"] }) {
	const { timeZone, units } = usePrefs();
	const over = alarms.filter(({ endedAt, seenAt }) => endedAt !== null && seenAt !== null);
	if (over.length === 0) return null;
	return (
		<details>
			<summary className="cursor-pointer text-soft">
				{over.length === 1 ? "1 alarm that is over" : `${over.length} alarms that are over`}
			</summary>
			<ul>
				{over.map(({ id, kind, startedAt, endedAt, sentence }) => (
					<li key={id} className="text-soft">
						<span className="figure">
							{clock(startedAt, timeZone)}–{endedAt && clock(endedAt, timeZone)}
						</span>{" "}
						<b className="text-base-content">{ALARM_WORDS[kind]}</b>: {phraseText(sentence, units)}
					</li>
				))}
			</ul>
		</details>
	);
}

function Notes({ firing, readings }: Pick<Props, "firing" | "readings">) {
	const { timeZone } = usePrefs();
	const quick = useAct("noteFiring");
	const form = useActForm("noteFiring", {
		start: { text: "" },
		schema: async () => (await import("@contract/firings")).actions.noteFiring,
		sent: ({ text }, id) => ({ noteId: id(), firingId: firing.id, text }),
		next: () => ({ text: "" }),
	});
	const { text } = form.values;
	return (
		<section aria-label="Notes">
			<h2 className="mb-1">Notes</h2>
			<div className="flex flex-wrap gap-1.5">
				{QUICK.map((words) => (
					<button
						key={words}
						type="button"
						className="btn btn-sm max-lg:h-11"
						disabled={quick.isPending}
						onClick={() => quick.send((id) => ({ noteId: id(), firingId: firing.id, text: words }))}
					>
						{words}
					</button>
				))}
			</div>
			<form className="mt-1.5 flex gap-1.5" noValidate onSubmit={form.submit}>
				<input
					className="input input-sm h-9 grow"
					aria-label="Note"
					placeholder="something else"
					value={text}
					onChange={(event) => form.set("text", event.target.value)}
				/>
				<button type="submit" className="btn btn-sm h-9" disabled={form.pending || !text.trim()}>
					Note
				</button>
			</form>
			<Problems problems={form.others()} />
			<Trouble error={quick.error} />
			<ul className="mt-1.5">
				{readings.notes.slice(0, 6).map(({ id, at, elapsedS, text: words, by }) => (
					<li key={id} className="flex gap-2 text-soft">
						<span className="figure whitespace-nowrap">{clock(at, timeZone)}</span>
						<span className="min-w-0">
							<b className="font-semibold text-base-content">{words}</b>
							{elapsedS !== null && `, at ${formatMinutes(elapsedS / 60)}`}
							{by && `, ${by.split(" ")[0]}`}
						</span>
					</li>
				))}
			</ul>
		</section>
	);
}

const STEER: readonly { command: KilnCommand; label: string; means: string }[] = [
	{ command: "hold", label: "Hold", means: "The set point stays where it is until it is released." },
	{ command: "release", label: "Release", means: "The programme goes on from where it is held." },
	{ command: "skip", label: "Skip", means: "The rest of this segment is left out." },
	{ command: "stop", label: "Stop", means: "The programme ends; the kiln cools by itself, without its anneal." },
];
const START: readonly { command: KilnCommand; label: string; means: string }[] = [
	{ command: "resume", label: "Resume", means: "A programme that waits after a power cut goes on." },
	{ command: "extend", label: "10 min more", means: "The present hold becomes ten minutes longer." },
];

/** What may be asked of the kiln through its line: switched on for each kiln, and asked again each time. */
function Steering({ firing, instructor }: { firing: FiringCard; instructor: boolean }) {
	const [asked, setAsked] = useState<(typeof STEER)[number] | null>(null);
	const [there, setThere] = useState(false);
	const steer = useAct("steerKiln", () => setAsked(null));
	const { permissions, line, name } = firing.kiln;
	if (line === null) return null;
	const commands = [...(permissions.steer ? STEER : []), ...(permissions.start ? START : [])];
	if (commands.length === 0 || !instructor)
		return (
			<p className="text-soft">
				{name} is only read from here.{" "}
				{instructor && (
					<a className="underline" href={`/fire/kilns/${firing.kiln.id}?tab=line`}>
						What may be steered
					</a>
				)}
			</p>
		);
	const needsSomebody = START.some(({ command }) => command === asked?.command);
	return (
		<section aria-label="Steer the kiln">
			<h2 className="mb-1">Steer {name}</h2>
			<div className="flex flex-wrap gap-1.5">
				{commands.map((one) => (
					<button
						key={one.command}
						type="button"
						aria-pressed={asked?.command === one.command}
						className={`btn btn-sm max-lg:h-11 ${asked?.command === one.command ? "btn-secondary" : ""}`}
						onClick={() => {
							setAsked(one);
							setThere(false);
						}}
					>
						{one.label}
					</button>
				))}
			</div>
			{asked && (
				<div className="mt-2 flex flex-col gap-2 border-l-4 border-secondary bg-pick px-3 py-2">
					<p>{asked.means}</p>
					{needsSomebody && (
						<Check
							weighty
							label="Somebody is at the kiln now"
							checked={there}
							onChange={(checked) => setThere(checked)}
						/>
					)}
					<div className="flex gap-2">
						<button
							type="button"
							className="btn btn-secondary btn-sm max-lg:h-11"
							disabled={steer.isPending || (needsSomebody && !there)}
							onClick={() =>
								steer.send((id) => ({
									noteId: id(),
									firingId: firing.id,
									command: asked.command,
									sure: true,
									somebodyThere: there,
								}))
							}
						>
							{asked.label} {name}
						</button>
						<button type="button" className="btn btn-ghost btn-sm max-lg:h-11" onClick={() => setAsked(null)}>
							Leave it
						</button>
					</div>
				</div>
			)}
			<Trouble error={steer.error} />
		</section>
	);
}

const FAULTS = [
	{ fault: "powerCut", label: "power cut, 40 min" },
	{ fault: "stuckRelay", label: "stuck relay" },
	{ fault: "openSensor", label: "open sensor" },
	{ fault: "shortedSensor", label: "shorted sensor" },
	{ fault: "stillSensor", label: "sensor stands still" },
	{ fault: "lateReadings", label: "late readings" },
	{ fault: "none", label: "all well again" },
] as const;

/** The simulated kiln's own panel, and how it is told to fail. */
function StandInPanel({ kilnId, instructor }: { kilnId: string; instructor: boolean }) {
	const tell = useAct("tellStandIn");
	const press = useAct("pressStandIn");
	return (
		<details className="text-soft">
			<summary className="cursor-pointer">This kiln is a stand-in: its panel and its failures</summary>
			<div className="mt-1.5 flex flex-wrap gap-1.5">
				<button
					type="button"
					className="btn btn-sm max-lg:h-11"
					disabled={press.isPending}
					onClick={() => press.mutate({ kilnId, button: "resume" })}
				>
					press “go on” at the kiln
				</button>
				{instructor &&
					FAULTS.map(({ fault, label }) => (
						<button
							key={fault}
							type="button"
							className="btn btn-ghost btn-sm border-line max-lg:h-11"
							disabled={tell.isPending}
							onClick={() => tell.mutate({ kilnId, fault, forMin: 40 })}
						>
							{label}
						</button>
					))}
			</div>
			<Trouble error={tell.error ?? press.error} />
		</details>
	);
}
