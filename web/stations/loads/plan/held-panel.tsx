import type { CalendarFiring, PlanView } from "@contract/loads";
import { clockNear } from "@formats/time";
import { useNow } from "../../../lib/clock";
import { usePrefs } from "../../../lib/prefs";
import { heldEffect } from "./held-effect";
import type { Held } from "./use-drag-firing";

/** What letting an announced firing go here would do, while it is held. */
export function HeldPanel({ view, firing, held }: { view: PlanView; firing: CalendarFiring; held: Held }) {
	const { timeZone } = usePrefs();
	const now = new Date(useNow(60));
	const at = (ms: number) => clockNear(new Date(ms), now, timeZone);
	const kiln = view.kilns[held.kiln];
	const { there, mayStart, between } = view;
	const tailMs = (between.judge + between.wrap) * 3_600_000;
	const effect = heldEffect(held, firing, view.booked, kiln?.id ?? "", { there, mayStart, tailMs });
	return (
		<section aria-label="If it is moved here" aria-live="polite" className="flex flex-col gap-3">
			<h2>
				Firing <span className="figure">{firing.number}</span> in {kiln?.name}
			</h2>
			<p>
				<span className="text-soft">would start</span>
				<b className="figure block text-3xl">{at(held.startMs)}</b>
			</p>
			<ul className="ruled">
				<li className="py-1.5">
					cool <b className="figure">{at(effect.coolMs)}</b>,{" "}
					{effect.openMs === null ? (
						"and nobody ever opens it"
					) : (
						<>
							opened <b className="figure">{at(effect.openMs)}</b>
						</>
					)}
				</li>
				{effect.clash && (
					<li className="py-1.5 font-semibold text-error">
						Firing {effect.clash.number} has this kiln then: it cannot be let go here.
					</li>
				)}
				{effect.isUnstaffed && <li className="py-1.5 font-semibold text-warning">Nobody is here to start it then.</li>}
				{effect.breaks.length > 0 && (
					<li className="py-1.5 font-semibold text-error">Breaks the promise of {effect.breaks.join(", ")}.</li>
				)}
				{effect.saves.length > 0 && (
					<li className="py-1.5 font-semibold text-success">Keeps the promise of {effect.saves.join(", ")}.</li>
				)}
				{effect.breaks.length + effect.saves.length === 0 && <li className="py-1.5 text-soft">No promise changes.</li>}
				{kiln?.id !== firing.kilnId && (
					<li className="py-1.5 text-soft">Its pieces are laid anew on that shelf; its hours are that kiln’s.</li>
				)}
			</ul>
			<p className="text-soft">Let go, or press Enter, to move it. Escape puts it back.</p>
		</section>
	);
}
