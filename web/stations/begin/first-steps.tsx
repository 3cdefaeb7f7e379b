import type { FirstStepsView } from "@contract/begin";
import { counted } from "@core/units/counted";
import { Check } from "lucide-react";
import { useState } from "react";
import { help } from "../../help/first-steps";
import { framed, type StationProps } from "../../ui/frame/framed";
import { BlockStep } from "./block-step";
import { GlassStep } from "./glass-step";
import { KilnStep } from "./kiln-step";

export default framed("firstSteps", null, help, FirstSteps);

const STEPS = ["kilns", "glass", "block", "class"] as const;
type Step = (typeof STEPS)[number];

const STEP_WORDS: Record<Step, { title: string; why: string }> = {
	kilns: { title: "Kilns", why: "Loads, schedules and the hour a kiln may be opened are reckoned for them." },
	glass: { title: "Glass", why: "Kits are laid from what stands on your shelf." },
	block: { title: "Microwave block", why: "For small pieces that are done within the lesson." },
	class: { title: "First class", why: "It stands on the calendar, with its students." },
};

const done = (view: FirstStepsView): Record<Step, string> => ({
	kilns: some(view.kilns.length, "kiln"),
	glass: view.glassIds.length > 0 ? `${view.glassIds.length} kinds of glass` : "",
	block: some(view.blocks.length, "block"),
	class: view.classes > 0 ? `${view.classes} on the calendar` : "",
});

const some = (n: number, one: string) => (n === 0 ? "" : counted(n, one));

/** What a new studio writes down first: four steps, each to be skipped and found again. */
function FirstSteps({ view, params }: StationProps<"firstSteps">) {
	const asked = STEPS.find((step) => step === params.step);
	const [step, setStep] = useState<Step>(asked ?? "kilns");
	const words = done(view);
	const go = (next: Step) => {
		setStep(next);
		history.replaceState(null, "", `?step=${next}`);
	};
	const next = STEPS[STEPS.indexOf(step) + 1];
	return (
		<div className="grid h-full min-h-0 grid-cols-[280px_minmax(0,1fr)] max-lg:block max-lg:overflow-y-auto">
			<nav aria-label="First steps" className="scroll-y border-r border-line px-4 py-4">
				<h1 className="mb-3 px-2">First steps</h1>
				<ol>
					{STEPS.map((one, i) => (
						<li key={one}>
							<button
								type="button"
								aria-current={one === step ? "step" : undefined}
								className={`flex min-h-16 w-full items-center gap-3 rounded px-2 text-left ${one === step ? "bg-pick" : "hover:bg-base-100"}`}
								onClick={() => go(one)}
							>
								<span
									className={`figure grid size-9 shrink-0 place-items-center rounded-full border-2 text-lg font-bold ${words[one] ? "border-success text-success" : "border-base-content/40"}`}
								>
									{words[one] ? <Check size={20} aria-label="done" /> : i + 1}
								</span>
								<span>
									<b className="block text-lg leading-tight">{STEP_WORDS[one].title}</b>
									<span className="text-soft">{words[one] || "not yet"}</span>
								</span>
							</button>
						</li>
					))}
				</ol>
				<p className="mt-4 px-2 text-soft">
					Each can be left for later: kilns stand under Fire, glass under Books, classes under Classes. This page stays
					at Settings.
				</p>
			</nav>
			<section aria-label={STEP_WORDS[step].title} className="scroll-y px-8 py-5">
				<div className="mb-4 flex items-start justify-between gap-6">
					<div>
						<h2 className="text-2xl">{STEP_WORDS[step].title}</h2>
						<p className="text-soft">{STEP_WORDS[step].why}</p>
					</div>
					{next ? (
						<button type="button" className="btn" onClick={() => go(next)}>
							{words[step] ? "On to" : "Skip to"} {STEP_WORDS[next].title.toLowerCase()}
						</button>
					) : (
						<a className="btn" href="/">
							To Today
						</a>
					)}
				</div>
				{step === "kilns" && <KilnStep kilns={view.kilns} />}
				{step === "glass" && <GlassStep view={view} />}
				{step === "block" && <BlockStep blocks={view.blocks} />}
				{step === "class" && (
					<div className="flex max-w-prose flex-col items-start gap-3">
						<p>
							A class has a title, a day and an hour, places, and the kits its students choose among. Several evenings
							make a course. Students are typed in, or come from a list as CSV.
						</p>
						<a className="btn btn-primary" href="/classes?new=1">
							Put a class on the calendar
						</a>
					</div>
				)}
			</section>
		</div>
	);
}
