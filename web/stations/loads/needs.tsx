import type { PieceBrief } from "@contract/pieces";
import type { Demand } from "@core/firing/demand";
import { formatMinutes } from "@core/units/duration";
import { useFigure } from "../../lib/prefs";

interface Props {
	needs: Record<string, Demand>;
	gets: Demand;
	costHours: Record<string, number>;
	pieces: readonly PieceBrief[];
}

/** What each piece would need alone, beside what all of them get: who waits for whom, and by how much. */
export default function Needs({ needs, gets, costHours, pieces }: Props) {
	const figure = useFigure();
	const rate = (r: Demand["firstRampCPerH"]) => (r === "full" ? "full power" : figure({ cPerH: Math.floor(r) }));
	const row = (its: Demand, is: (key: keyof Demand) => boolean) => (
		<>
			<td className={is("firstRampCPerH") ? "font-bold" : "text-soft"}>{rate(its.firstRampCPerH)}</td>
			<td className={is("airMin") ? "font-bold" : "text-soft"}>{its.airMin > 0 ? formatMinutes(its.airMin) : "–"}</td>
			<td className={is("soakMin") ? "font-bold" : "text-soft"}>{formatMinutes(its.soakMin)}</td>
			<td className={is("coolCPerH") ? "font-bold" : "text-soft"}>{rate(its.coolCPerH)}</td>
		</>
	);
	const rows = pieces.filter(({ id }) => needs[id]).sort((a, b) => (costHours[b.id] ?? 0) - (costHours[a.id] ?? 0));
	return (
		<table aria-label="What each piece needs" className="figure w-full border-collapse text-[12.5px]">
			<thead>
				<tr className="text-left text-soft">
					{["", "heats", "air", "soak", "cools", "costs"].map((word) => (
						<th key={word} scope="col" className="py-1 pr-2 font-semibold">
							{word}
						</th>
					))}
				</tr>
			</thead>
			<tbody className="[&_td]:py-1 [&_td]:pr-2 [&_td]:align-top">
				<tr className="border-y border-line bg-base-100">
					<th scope="row" className="py-1 pr-2 text-left">
						all get
					</th>
					{row(gets, () => true)}
					<td />
				</tr>
				{rows.map(({ id, code }) => {
					const its = needs[id] as Demand;
					const hours = costHours[id] ?? 0;
					return (
						<tr key={id} className="border-b border-line/60">
							<th scope="row" className="py-1 pr-2 text-left font-semibold">
								{code}
							</th>
							{row(its, (key) => its[key] === gets[key] && key !== "level" && (key !== "airMin" || its.airMin > 0))}
							<td className="text-right">{hours > 0.05 ? `${hours.toFixed(1)} h` : "–"}</td>
						</tr>
					);
				})}
			</tbody>
		</table>
	);
}
