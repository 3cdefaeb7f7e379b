import { lazy, Suspense, useState } from "react";
import type { ChartStrip, CurveSeries } from "./series";

const HourlyTable = lazy(() => import("./hourly-table"));

export interface FiguresProps {
	series: readonly CurveSeries[];
	strips: readonly ChartStrip[];
	hours: readonly number[];
}

/** The chart's figures hour by hour, for who cannot see or does not trust a line: loaded and made when somebody opens it. */
export function FiguresTable(props: FiguresProps) {
	const [open, setOpen] = useState(false);
	return (
		<details className="grow" onToggle={(event) => setOpen(event.currentTarget.open)}>
			<summary className="cursor-pointer text-right">figures as a table</summary>
			{open && (
				<Suspense fallback={null}>
					<HourlyTable {...props} />
				</Suspense>
			)}
		</details>
	);
}
