import type { CalendarFiring, PlanView } from "@contract/loads";
import { LEVEL_WORDS } from "@core/firing/level";
import { counted } from "@core/units/counted";
import { clockNear } from "@formats/time";
import { Trouble } from "../../../forms/notice";
import { useAct } from "../../../lib/api";
import { useNow } from "../../../lib/clock";
import { usePrefs } from "../../../lib/prefs";
import { TwoPresses } from "../../../ui/two-presses";
import { BackToPlan } from "./back";

/** One announced or running firing of the calendar. */
export function FiringPanel({ firing, view, onBack }: { firing: CalendarFiring; view: PlanView; onBack(): void }) {
	const { timeZone } = usePrefs();
	const now = new Date(useNow(60));
	const at = (ms: number) => clockNear(new Date(ms), now, timeZone);
	const cancel = useAct("cancelFiring");
	const kiln = view.kilns.find(({ id }) => id === firing.kilnId);
	const isPlanned = firing.state === "planned";
	return (
		<section aria-label="Firing" className="flex flex-col gap-3">
			<BackToPlan onBack={onBack} />
			<header>
				<h2>
					Firing <span className="figure">{firing.number}</span>, {kiln?.name}
				</h2>
				<p className="text-soft">
					{LEVEL_WORDS[firing.level]},{" "}
					{firing.pieces > 0 ? counted(firing.pieces, "piece") : firing.what || "no pieces"}
				</p>
			</header>
			<p>
				<span className="text-soft">{isPlanned ? "starts" : "started"} </span>
				<b className="figure">{isPlanned && !firing.isDated ? "when the kiln is free" : at(firing.from)}</b>
			</p>
			<p>
				<span className="text-soft">open not before</span>
				<b className="figure block text-3xl">{at(firing.coolMs)}</b>
			</p>
			{isPlanned && (
				<p className="text-soft">
					Drag it along the calendar, or use the arrow keys, to give it another hour or kiln: what that does is said
					before you let go.
				</p>
			)}
			{isPlanned && firing.pieces > 0 && (
				<div className="flex gap-2">
					<a className="btn btn-primary grow" href={`/load/lay?firing=${firing.id}`}>
						Lay it in
					</a>
					<a className="btn grow" href={`/load/sheet?firing=${firing.id}`}>
						Print it
					</a>
				</div>
			)}
			<a className="btn" href={`/fire?firing=${firing.id}`}>
				See it at Fire
			</a>
			{isPlanned && (
				<TwoPresses
					label="Call it off"
					warning={
						firing.pieces > 0
							? `${counted(firing.pieces, "piece goes", "pieces go")} back to the tray.`
							: "Nothing lies in it yet."
					}
					sure="Call it off"
					pending={cancel.isPending}
					onSure={() => cancel.mutate({ firingId: firing.id })}
				/>
			)}
			<Trouble error={cancel.error} />
		</section>
	);
}
