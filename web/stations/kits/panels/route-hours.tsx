import type { Pace } from "@core/firing/schools";
import type { RouteHours as Hours, PacedHours } from "@core/stack/route-hours";
import { phraseText } from "@core/units/phrase";
import { usePrefs } from "../../../lib/prefs";
import { SCHOOL_WORDS } from "../../../ui/school-words";

const COOLING = { usual: "usual cooling", cautious: "cautious cooling" } as const;

/** How long the whole route takes, what each school would make of it, and, where it is very long, why and what helps. */
export function RouteHours({ route, pace }: { route: Hours; pace: Pace }) {
	const { units } = usePrefs();
	const { hours, hoursAt, long } = route;
	const at = (warmUp: Pace["warmUp"], cooling: Pace["cooling"]): PacedHours | undefined =>
		hoursAt.find((one) => one.warmUp === warmUp && one.cooling === cooling);
	return (
		<section aria-label="Hours of the route" className="border-b border-line pb-3">
			<p>
				<b className="figure text-2xl">{Math.round(hours)} h</b> of programme in all; the kiln’s own cooling comes on
				top.
			</p>
			<table className="figure mt-2 w-full border-collapse text-[13.5px]">
				<caption className="sr-only">Hours by school of heating and of cooling</caption>
				<thead>
					<tr className="text-left text-soft">
						<th scope="col" className="py-1 font-normal">
							heated by
						</th>
						{(["usual", "cautious"] as const).map((cooling) => (
							<th key={cooling} scope="col" className="px-1 py-1 font-normal">
								{COOLING[cooling]}
							</th>
						))}
					</tr>
				</thead>
				<tbody>
					{(["usual", "cautious"] as const).map((warmUp) => (
						<tr key={warmUp} className="border-t border-line">
							<th scope="row" className="py-1.5 pr-1 text-left font-normal text-soft">
								{phraseText(SCHOOL_WORDS.warmUp[warmUp], units)}
							</th>
							{(["usual", "cautious"] as const).map((cooling) => {
								const own = warmUp === pace.warmUp && cooling === pace.cooling;
								return (
									<td key={cooling} className={`px-1 py-1.5 font-semibold ${own ? "bg-pick" : ""}`}>
										{Math.round(at(warmUp, cooling)?.hours ?? hours)} h
										{own && <span className="sr-only">, as the studio fires</span>}
									</td>
								);
							})}
						</tr>
					))}
				</tbody>
			</table>
			{long && (
				<div role="note" className="mt-3 border-l-3 border-warning pl-2.5">
					<p className="font-bold">{phraseText(long.driver, units)}</p>
					<ul className="mt-1">
						{long.shorter.map((way) => (
							<li key={phraseText(way, units)}>{phraseText(way, units)}</li>
						))}
					</ul>
				</div>
			)}
		</section>
	);
}
