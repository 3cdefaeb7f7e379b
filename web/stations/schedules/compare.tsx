import type { ScheduleEffect } from "@core/firing/effect";
import { type FuseLevel, LEVEL_WORDS } from "@core/firing/level";
import { useFigure } from "../../lib/prefs";

interface Props {
	mine: ScheduleEffect;
	other: { name: string; effect: ScheduleEffect };
}

const word = (level: FuseLevel | undefined) => (level ? LEVEL_WORDS[level] : "nothing lasting");
const signed = (value: number, digits: number) =>
	`${value > 0 ? "+" : value < 0 ? "−" : "±"}${Math.abs(value).toFixed(digits)}`;

/** Two schedules by what they do: levels family by family, stress, hours, energy. */
export function Compare({ mine, other: { name, effect: other } }: Props) {
	const figure = useFigure();
	const rows: [string, string, string, string][] = [
		...mine.byFamily.map((one, i): [string, string, string, string] => {
			const its = other.byFamily[i];
			const times = its && its.flow > 0 ? one.flow / its.flow : Number.NaN;
			return [
				`family ${one.label}`,
				`${word(one.level)}\n${one.flow.toFixed(2)}`,
				its ? `${word(its.level)}\n${its.flow.toFixed(2)}` : "",
				one.level === its?.level ? `×${times.toFixed(2)}` : `another level\n×${times.toFixed(1)}`,
			];
		}),
		[
			"peak",
			figure({ c: mine.peakC }),
			figure({ c: other.peakC }),
			figure({ signedC: Math.round(mine.peakC - other.peakC) }),
		],
		...(
			[
				["tension up", "heatingMPa", "MPa", 1],
				["tension down", "coolingMPa", "MPa", 1],
				["stress that stays", "frozenMPa", "MPa", 1],
				["controller time", "hours", "h", 1],
				["may be opened", "openHours", "h", 1],
				["energy", "kwh", "kWh", 1],
			] as const
		).map(([label, key, unit, digits]): [string, string, string, string] => [
			label,
			`${mine[key].toFixed(digits)} ${unit}`,
			`${other[key].toFixed(digits)} ${unit}`,
			signed(mine[key] - other[key], digits),
		]),
	];
	return (
		<table className="figure w-full" aria-label={`Compared with ${name}`}>
			<thead>
				<tr className="text-right text-soft">
					<th />
					<th scope="col" className="font-semibold text-base-content">
						this one
					</th>
					<th scope="col" className="font-normal">
						{name}
					</th>
					<th scope="col" className="font-normal">
						differs
					</th>
				</tr>
			</thead>
			<tbody className="ruled">
				{rows.map(([label, a, b, apart]) => (
					<tr key={label} className="border-t border-line text-right">
						<th scope="row" className="py-1 text-left font-normal text-soft">
							{label}
						</th>
						<td className="pl-2 font-semibold whitespace-pre">{a}</td>
						<td className="pl-2 whitespace-pre">{b}</td>
						<td
							className={`pl-2 whitespace-pre ${apart.startsWith("another") ? "font-semibold text-warning" : "text-soft"}`}
						>
							{apart}
						</td>
					</tr>
				))}
			</tbody>
		</table>
	);
}
