import { type ScheduleDocument, withoutSegment, withSegment, withSegmentAfter } from "@core/firing/document";
import type { SegmentName } from "@core/firing/schedule";
import type { ScheduleWarning } from "@core/firing/warnings/warning";
import { parseMinutes } from "@core/units/duration";
import { fahrenheit, fahrenheitStep, parseRateCPerH, parseTemperatureC } from "@core/units/temperature";
import { Plus, X } from "lucide-react";
import { usePrefs } from "../../lib/prefs";
import { Cell } from "./cell";

const WORDS: Record<SegmentName, string> = {
	up: "up",
	peak: "peak",
	drop: "anneal",
	down1: "down, slow",
	down2: "down",
	down3: "to open",
};

interface Props {
	document: ScheduleDocument;
	warnings: readonly ScheduleWarning[];
	chosen: number | null;
	onChoose(index: number): void;
	onEdit(change: (document: ScheduleDocument) => ScheduleDocument, what?: string): void;
}

/** The segments as figures, each in the reader's units; full is full power upwards and off downwards. */
export function SegmentTable({ document, warnings, chosen, onChoose, onEdit }: Props) {
	const { units } = usePrefs();
	const unit = units.temperature;
	const temperature = (c: number) => String(Math.round(unit === "F" ? fahrenheit(c) : c));
	const rate = (cPerH: number) => String(Math.round(unit === "F" ? fahrenheitStep(cPerH) : cPerH));
	return (
		<div>
			<table className="w-full border-separate border-spacing-x-0.5 border-spacing-y-0.5">
				<thead>
					<tr className="text-right text-soft">
						<th scope="col" className="text-left font-normal">
							segment
						</th>
						<th scope="col" className="font-normal">
							°{unit}/h
						</th>
						<th scope="col" className="font-normal">
							to °{unit}
						</th>
						<th scope="col" className="font-normal">
							hold, min
						</th>
						<th>
							<span className="sr-only">Change</span>
						</th>
					</tr>
				</thead>
				<tbody>
					{document.segments.map(({ name, rateCPerH, targetC, holdMin }, i) => {
						const wrong = warnings.some(({ segment, severity }) => segment === i && severity !== "know");
						const say = `segment ${i + 1}, ${WORDS[name]}`;
						return (
							<tr key={i} className={i === chosen ? "bg-pick" : ""} onFocus={() => onChoose(i)}>
								<th scope="row" className={`w-[5.6rem] text-left font-semibold ${wrong ? "text-error" : ""}`}>
									<span className="figure mr-1 text-soft">{i + 1}</span>
									{WORDS[name]}
								</th>
								<td>
									<Cell
										label={`Rate of ${say}`}
										shown={rateCPerH === "full" ? "full" : rate(rateCPerH)}
										read={(text) => parseRateCPerH(text, unit)}
										onValue={(value) => onEdit((now) => withSegment(now, i, { rateCPerH: value }))}
									/>
								</td>
								<td>
									<Cell
										label={`Target of ${say}`}
										shown={temperature(targetC)}
										read={(text) => parseTemperatureC(text, unit)}
										onValue={(c) => onEdit((now) => withSegment(now, i, { targetC: Number(c.toFixed(1)) }))}
									/>
								</td>
								<td>
									<Cell
										label={`Hold of ${say}`}
										shown={String(Number(holdMin.toFixed(1)))}
										read={parseMinutes}
										onValue={(value) => onEdit((now) => withSegment(now, i, { holdMin: value }))}
									/>
								</td>
								<td className="whitespace-nowrap">
									<button
										type="button"
										className="btn btn-ghost btn-sm btn-square w-6 max-lg:size-11"
										aria-label={`Add a segment after ${say}`}
										onClick={() => onEdit((now) => withSegmentAfter(now, i))}
									>
										<Plus size={14} />
									</button>
									<button
										type="button"
										className="btn btn-ghost btn-sm btn-square w-6 max-lg:size-11"
										aria-label={`Take out ${say}`}
										disabled={document.segments.length < 2}
										onClick={() => onEdit((now) => withoutSegment(now, i))}
									>
										<X size={14} />
									</button>
								</td>
							</tr>
						);
					})}
				</tbody>
			</table>
			<p className="mt-1 text-soft">“full”: full power upwards, off downwards.</p>
		</div>
	);
}
