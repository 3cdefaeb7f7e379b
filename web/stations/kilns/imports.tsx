import type { KilnView } from "@contract/kilns";
import { dayAndClock } from "@formats/time";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { usePrefs } from "../../lib/prefs";

/** Logs that were brought into this kiln's record; one that was a mistake goes again, with all that came by it. */
export function Imports({ imports }: { imports: KilnView["imports"] }) {
	const { timeZone } = usePrefs();
	const takeBack = useAct("takeBackImport");
	if (imports.length === 0) return null;
	return (
		<section aria-label="Logs brought in">
			<h3 className="mb-1 font-semibold">Logs brought in</h3>
			<ul className="ruled">
				{imports.map(({ id, at, from, to, added, by }) => (
					<li key={id} className="flex items-center justify-between gap-3 py-1.5">
						<span className="min-w-0">
							<b className="figure">
								{dayAndClock(from, timeZone)} to {dayAndClock(to, timeZone)}
							</b>
							<span className="block text-soft">
								{added} readings, brought in {dayAndClock(at, timeZone)}
								{by && ` by ${by}`}
							</span>
						</span>
						<button
							type="button"
							className="btn btn-sm max-lg:h-11"
							disabled={takeBack.isPending}
							onClick={() => takeBack.mutate({ importId: id })}
						>
							Take back
						</button>
					</li>
				))}
			</ul>
			<Trouble error={takeBack.error} />
		</section>
	);
}
