import { useFigure } from "../../lib/prefs";
import { type ChartStrip, type CurveSeries, valueAt } from "./series";

/** The chart's figures hour by hour, for who cannot see or does not trust a line. */
export function FiguresTable(props: {
	series: readonly CurveSeries[];
	strips: readonly ChartStrip[];
	hours: readonly number[];
}) {
	const { series, strips, hours } = props;
	const figure = useFigure();
	return (
		<details className="grow">
			<summary className="cursor-pointer text-right">figures as a table</summary>
			<div className="overflow-x-auto">
				<table className="figure mt-1 w-full text-right">
					<thead>
						<tr>
							<th scope="col">time</th>
							{series.map(({ name }) => (
								<th key={name} scope="col">
									{name}
								</th>
							))}
							{strips.map(({ name, unit }) => (
								<th key={name} scope="col">
									{name}
									{unit && `, ${unit}`}
								</th>
							))}
						</tr>
					</thead>
					<tbody>
						{hours.map((hour) => (
							<tr key={hour}>
								<th scope="row">{Number(hour.toFixed(2))} h</th>
								{series.map(({ name, points }) => {
									const c = valueAt(
										points.map((point) => ({ s: point.s, v: point.c })),
										hour * 3600,
									);
									return <td key={name}>{c === undefined ? "" : figure({ c })}</td>;
								})}
								{strips.map(({ name, points, digits }) => (
									<td key={name}>{valueAt(points, hour * 3600)?.toFixed(digits) ?? ""}</td>
								))}
							</tr>
						))}
					</tbody>
				</table>
			</div>
		</details>
	);
}
