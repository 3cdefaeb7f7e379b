import type { MicrowaveRunBrief } from "@contract/microwave";
import { energyWs, LAST_STEP_S, LOOK_WORDS, LOOKS, type Look, looksBetween } from "@core/microwave/programme";
import { LEAST_COOLING_MIN } from "@core/microwave/suggest";
import { formatMinutes } from "@core/units/duration";
import { clock } from "@formats/time";
import { useEffect, useState } from "react";
import { Check } from "../../forms/check";
import { ChoiceField, TextField } from "../../forms/fields";
import { Problems, Trouble } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { useAct } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { begun, givenS, heat, leftS, lookedIn, oneMore, type Progress, stopHeat } from "./progress";

const TICK_MS = 200;
const place = (runId: string) => `zephyr-microwave-${runId}`;

function kept(run: MicrowaveRunBrief): Progress {
	try {
		const text = localStorage.getItem(place(run.id));
		return text ? (JSON.parse(text) as Progress) : begun(run.plan);
	} catch {
		return begun(run.plan);
	}
}

interface Props {
	run: MicrowaveRunBrief;
	cooling: { min: number; from: number };
	lessonEndsAt: string | null;
}

/** The block in its oven: one big clock, one big button, and a look under the lid between the steps. */
export function Stepper(props: Props) {
	return props.run.heatedAt ? <Cooling {...props} /> : <Heating {...props} />;
}

function Heating({ run, cooling, lessonEndsAt }: Props) {
	const { timeZone } = usePrefs();
	const [progress, setProgress] = useState<Progress>(() => begun(run.plan));
	const [nowMs, setNowMs] = useState(0);
	const look = useAct("lookMicrowave");
	const end = useAct("endMicrowave", () => localStorage.removeItem(place(run.id)));
	useEffect(() => setProgress(kept(run)), [run]);
	const keep = (next: Progress) => {
		setProgress(next);
		localStorage.setItem(place(run.id), JSON.stringify(next));
	};
	// biome-ignore lint/correctness/useExhaustiveDependencies: keep is made anew on every draw
	useEffect(() => {
		const timer = setInterval(() => {
			setNowMs(Date.now());
			if (progress.heatingSinceMs !== null && leftS(progress, Date.now()) <= 0) keep(stopHeat(progress, Date.now()));
		}, TICK_MS);
		return () => clearInterval(timer);
	}, [progress]);
	const heating = progress.heatingSinceMs !== null;
	const seconds = Math.ceil(leftS(progress, nowMs || Date.now()));
	const step = progress.left[0];
	const number = progress.given.length + 1;
	const s = givenS(progress);
	const last = run.looks.at(-1);
	const looked = last !== undefined && last.s >= s;
	return (
		<div className="flex max-w-3xl flex-col gap-4">
			<p className="text-soft">
				{run.what || "A piece"} in the {run.oven}, until it is{" "}
				<b className="text-base-content">{LOOK_WORDS[run.wanted]}</b>
			</p>
			<div
				className={`flex items-center justify-between gap-6 border-l-8 px-6 py-4 ${heating ? "border-accent bg-accent/8" : "border-base-300 bg-base-100"}`}
			>
				<div>
					<p className="text-soft">
						{step
							? `step ${number} of ${progress.given.length + progress.left.length}, set the oven to`
							: "the programme is through"}
					</p>
					<p className="figure text-5xl font-bold">{step ? `${step.watts} W` : "look in"}</p>
				</div>
				<p role="timer" aria-label="Time left of this step" className="figure text-8xl font-bold tracking-tight">
					{Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, "0")}
				</p>
			</div>
			<div className="flex flex-wrap gap-3">
				{heating ? (
					<button
						type="button"
						className="btn btn-lg h-16 px-10 text-xl"
						onClick={() => keep(stopHeat(progress, Date.now()))}
					>
						Stop now
					</button>
				) : (
					<>
						{step && (
							<button
								type="button"
								className="btn btn-primary btn-lg h-16 px-10 text-xl"
								onClick={() => keep(heat(progress, Date.now()))}
							>
								Heat {Math.floor(step.seconds / 60)}:{String(step.seconds % 60).padStart(2, "0")}
							</button>
						)}
						<button
							type="button"
							className="btn btn-lg h-16 text-lg"
							onClick={() => keep(oneMore(progress, LAST_STEP_S))}
						>
							+ {LAST_STEP_S} s
						</button>
						<button
							type="button"
							className="btn btn-lg h-16 text-lg"
							disabled={end.isPending || progress.given.length === 0}
							onClick={() => end.mutate({ runId: run.id, steps: progress.given })}
						>
							It is done: close it and let it cool
						</button>
					</>
				)}
			</div>
			<section aria-label="Look in" className={heating ? "opacity-50" : ""}>
				<h2 className="mb-1">Look in, a moment only: what is to be seen?</h2>
				<div className="flex flex-wrap gap-2">
					{LOOKS.map((seen) => (
						<button
							key={seen}
							type="button"
							className={`btn h-14 text-base ${looked && last?.seen === seen ? "btn-secondary" : ""}`}
							disabled={heating || look.isPending || s === 0}
							onClick={() => {
								look.send((id) => ({ lookId: id(), runId: run.id, s, seen }));
								keep(lookedIn(progress, seen, run.wanted));
							}}
						>
							{LOOK_WORDS[seen]}
						</button>
					))}
				</div>
				{!heating && s > 0 && (
					<p className="mt-2 font-semibold">
						{looked ? afterWords(progress, last.seen, run.wanted) : "Not looked yet after this step."}
					</p>
				)}
			</section>
			<Trouble error={look.error ?? end.error} />
			<p className="text-soft">
				<b className="figure text-base-content">{formatMinutes(s / 60)}</b> of heat given
				{run.looks.map((one) => ` · ${formatMinutes(one.s / 60)}: ${LOOK_WORDS[one.seen]}`).join("")}
			</p>
			{lessonEndsAt && (
				<p className="text-soft">
					To be touched in this lesson its heat has to end by{" "}
					<b className="figure text-base-content">
						{clock(new Date(Date.parse(lessonEndsAt) - cooling.min * 60_000), timeZone)}
					</b>
					.
				</p>
			)}
		</div>
	);
}

/** What a look means for the rest. */
function afterWords({ left }: Progress, seen: Look, wanted: Look): string {
	if (looksBetween(seen, wanted) <= 0) return "It is as wanted: close it and let it cool.";
	const s = left.reduce((sum, { seconds }) => sum + seconds, 0);
	return `${Math.round(energyWs(left) / 1000)} kJ more by what was seen, ${formatMinutes(s / 60)}. Turn the block a third of the way before the next step: every oven has hot spots.`;
}

/** Closed and left alone: the clock of the lesson. */
function Cooling({ run, cooling, lessonEndsAt }: Props) {
	const { timeZone } = usePrefs();
	const nowMs = useNow();
	const heated = Date.parse(run.heatedAt ?? "");
	const readyMs = heated + cooling.min * 60_000;
	const leftMin = Math.max(0, Math.ceil((readyMs - nowMs) / 60_000));
	const form = useActForm("openMicrowave", {
		start: { outcome: (run.looks.at(-1)?.seen ?? run.wanted) as Look, note: "", cool: false },
		schema: async () => (await import("@contract/microwave")).actions.openMicrowave,
		sent: ({ outcome, note, cool }) => ({ runId: run.id, outcome, note: note.trim(), cool: cool || leftMin === 0 }),
	});
	const late = lessonEndsAt !== null && readyMs > Date.parse(lessonEndsAt);
	return (
		<div className="flex max-w-3xl flex-col gap-4">
			<p className="text-soft">
				{run.what || "A piece"}, closed since {clock(new Date(heated), timeZone)}
			</p>
			<div className="flex items-center justify-between gap-6 border-l-8 border-secondary bg-pick px-6 py-4">
				<p>
					<span className="text-soft">not to be touched before</span>
					<b className="figure block text-5xl">{clock(new Date(readyMs), timeZone)}</b>
				</p>
				<p role="timer" aria-label="Cooling left" className="figure text-8xl font-bold tracking-tight">
					{leftMin} <span className="text-3xl">min</span>
				</p>
			</div>
			<p className={late ? "font-semibold text-error" : "text-soft"}>
				{cooling.from > 0
					? `As long as ${cooling.from} runs of this block took. `
					: "An hour, as nobody has noted it for this block. "}
				{lessonEndsAt &&
					(late
						? `The lesson ends before, at ${clock(lessonEndsAt, timeZone)}: it stays here closed.`
						: `The lesson ends at ${clock(lessonEndsAt, timeZone)}.`)}
			</p>
			<form
				className="grid grid-cols-[1fr_2fr_auto] items-end gap-3 max-lg:grid-cols-1"
				noValidate
				onSubmit={form.submit}
			>
				<ChoiceField<Look>
					label="It came out"
					options={LOOKS.map((value) => ({ value, label: LOOK_WORDS[value] }))}
					{...form.field("outcome")}
				/>
				<TextField label="Note" {...form.field("note")} />
				<button type="submit" className={`btn h-11 ${leftMin === 0 ? "btn-primary" : ""}`} disabled={form.pending}>
					{leftMin === 0 ? "It is cool and open" : "Opened before its time"}
				</button>
			</form>
			{leftMin > 0 && nowMs - heated >= LEAST_COOLING_MIN * 60_000 && (
				<Check
					label="It can be touched already: its time is a measure"
					checked={form.values.cool}
					onChange={(cool) => form.set("cool", cool)}
				/>
			)}
			{leftMin > 0 && !form.values.cool && (
				<p className="text-soft">
					Opened before it can be touched it may crack; it is kept as a warning and teaches nothing.
				</p>
			)}
			<Problems problems={form.others()} />
		</div>
	);
}
