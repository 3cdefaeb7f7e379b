import type { KilnImport, KilnView } from "@contract/kilns";
import { dayAndClock } from "@formats/time";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { usePrefs } from "../../lib/prefs";

/** Logs that were brought into this kiln's record; one that was a mistake goes again, with all that came by it. */
export function Imports({ imports, onLook }: { imports: KilnView["imports"]; onLook(one: KilnImport): void }) {
	const { timeZone } = usePrefs();
	const takeBack = useAct("takeBackImport");
	if (imports.length === 0) return null;
	return (
		<section aria-label="Logs brought in">
			<h3 className="mb-1 font-semibold">Logs brought in</h3>
			<ul className="ruled">
				{imports.map((one) => (
					<li key={one.id} className="flex items-center justify-between gap-3 py-1.5">
						<span className="min-w-0">
							<b className="figure">
								{dayAndClock(one.from, timeZone)} to {dayAndClock(one.to, timeZone)}
							</b>
							<span className="block text-soft">
								{one.added} readings, brought in {dayAndClock(one.at, timeZone)}
								{one.by && ` by ${one.by}`}
							</span>
							<Progress {...one} />
						</span>
						<span className="flex shrink-0 gap-2">
							{one.state === "kept" && (
								<button type="button" className="btn btn-sm max-lg:h-11" onClick={() => onLook(one)}>
									Look
								</button>
							)}
							<button
								type="button"
								className="btn btn-sm max-lg:h-11"
								disabled={takeBack.isPending}
								onClick={() => takeBack.mutate({ importId: one.id })}
							>
								{one.state === "coming" ? "Cancel" : "Take back"}
							</button>
						</span>
					</li>
				))}
			</ul>
			<Trouble error={takeBack.error} />
		</section>
	);
}

/** How far a log is that is still being written. */
function Progress({ state, lines, written }: Pick<KilnImport, "state" | "lines" | "written">) {
	if (state === "kept") return null;
	return (
		<span className="block">
			<progress className="progress block" aria-label="Lines written" max={lines} value={written} />
			<span className="figure">
				{written} of {lines} lines written
			</span>
			{state === "brokenOff" &&
				". It was broken off: bring the log in again (what is there counts once), or take it back."}
		</span>
	);
}
