import { LOG_ETA_BUBBLE, temperatureAt, viscosityOf } from "../../glass/viscosity";
import { say } from "../../units/phrase";
import { nameSegments } from "../name-segments";
import type { Segment } from "../schedule";
import { type Case, changed } from "./case";
import type { ScheduleWarning } from "./warning";

const AIR_WINDOW_K = 20;

export function airHold(one: Case): ScheduleWarning[] {
	const { demand, segments, family, peak } = one;
	if (demand.airMin === 0) return [];
	const airC = Math.floor(temperatureAt(viscosityOf(family), LOG_ETA_BUBBLE));
	if (airC >= (segments[peak]?.targetC ?? 0)) return [];
	const near = ({ targetC }: Segment) => Math.abs(targetC - airC) <= AIR_WINDOW_K;
	const held = segments
		.slice(0, peak)
		.filter(near)
		.reduce((sum, { holdMin }) => sum + holdMin, 0);
	if (held >= demand.airMin) return [];
	const at = segments.findIndex((segment, i) => i < peak && near(segment));
	const last = segments[peak] as Segment;
	const mended =
		at >= 0
			? changed(one, at, { holdMin: demand.airMin })
			: nameSegments([
					...segments.slice(0, peak).filter(({ targetC }) => targetC < airC),
					{
						name: "up",
						rateCPerH: segments[0]?.rateCPerH ?? last.rateCPerH,
						targetC: airC,
						holdMin: demand.airMin,
					},
					...segments.slice(peak),
				]);
	return [
		{
			code: "air-hold-short",
			severity: "fix",
			segment: at >= 0 ? at : null,
			sentence: say`Sheet lies on sheet and traps air: it is held ${{ min: held }} near ${{ c: airC }}, ${{ min: demand.airMin }} lets the air out.`,
			remedy: say`A big bubble comes from this.`,
			fix: { label: say`Hold ${{ min: demand.airMin }} at ${{ c: airC }}`, segments: mended },
		},
	];
}
