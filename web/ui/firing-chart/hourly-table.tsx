import { useFigure } from "../../lib/prefs";
import type { FiguresProps } from "./figures-table";
import { valueAt } from "./series";

/** Every quantity of a chart, a row an hour. */
export default function HourlyTable({ series, strips, hours }: FiguresProps) {
	const figure = useFigure();
	const values = series.map(({ points }) => points.map(({ s, c }) => ({ s, v: c })));
	return (
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
							{series.map(({ name }, i) => {
								const c = valueAt(values[i] ?? [], hour * 3600);
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
	);
}
