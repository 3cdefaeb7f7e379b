import { type ScheduleDocument, withSegment } from "@core/firing/document";
import { curveOf } from "@core/firing/schedule";
import type { KilnBody } from "@core/kiln/kiln";
import { formatMinutes } from "@core/units/duration";
import type { ChartHandle } from "../../ui/firing-chart/handles";

type Edit = (change: (document: ScheduleDocument) => ScheduleDocument, what?: string) => void;

const clamp = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));
const FASTEST = 2000;

/** Where each segment arrives and where its hold ends, as points to drag: up and down the target, sideways rate or hold. */
export function handlesOf(
	document: ScheduleDocument,
	kiln: KilnBody | undefined,
	edit: Edit,
	shown: (c: number) => string,
	choice: { chosen: number | null; onChoose(index: number): void },
): ChartHandle[] {
	const { segments } = document;
	return segments.flatMap(({ rateCPerH, targetC, holdMin }, i) => {
		const before = curveOf({ segments: segments.slice(0, i) }, kiln).at(-1) ?? { s: 0, c: 20 };
		const arrival = curveOf(
			{ segments: [...segments.slice(0, i), { ...segmentAt(document, i), holdMin: 0 }] },
			kiln,
		).at(-1);
		const s = arrival?.s ?? before.s;
		const common = { chosen: choice.chosen === i, onChoose: () => choice.onChoose(i) };
		const arrives: ChartHandle = {
			...common,
			key: `${i} arrives`,
			s,
			c: targetC,
			label: `Segment ${i + 1} arrives at ${shown(targetC)}`,
			onMove(toS, toC) {
				const c = Math.round(clamp(toC, 20, 1000));
				const hours = Math.max(60, toS - before.s) / 3600;
				const rate = Math.round(clamp(Math.abs(c - before.c) / hours, 1, FASTEST));
				edit(
					(now) => withSegment(now, i, { targetC: c, ...(rateCPerH !== "full" && { rateCPerH: rate }) }),
					`drag ${i}`,
				);
			},
		};
		if (holdMin <= 0) return [arrives];
		return [
			arrives,
			{
				...common,
				key: `${i} holds`,
				s: s + holdMin * 60,
				c: targetC,
				label: `Segment ${i + 1} holds ${formatMinutes(holdMin)}`,
				onMove(toS, toC) {
					const minutes = Math.round(clamp((toS - s) / 60, 1, 2880));
					const c = Math.round(clamp(toC, 20, 1000));
					edit((now) => withSegment(now, i, { holdMin: minutes, targetC: c }), `drag hold ${i}`);
				},
			},
		];
	});
}

const segmentAt = ({ segments }: ScheduleDocument, i: number) => segments[i] as ScheduleDocument["segments"][number];
