import { mostOf } from "@core/extremes";
import { LEVEL_BANDS } from "@core/firing/level";
import { ALLOWED_TENSION_PA } from "@core/glass/constants";
import type { Simulation } from "@core/kiln/simulate";
import { fahrenheitStep, type TemperatureUnit } from "@core/units/temperature";
import { asStrip, type ChartStrip } from "../../ui/firing-chart/series";

/** A tension in MPa, to a tenth. */
export const megapascals = (pa: number): string => (pa / 1e6).toFixed(1);

const ALLOWED_MPA = ALLOWED_TENSION_PA / 1e6;

/** What the firing does to the glass, below its curve: tension while it is solid, and how far the heat took it. */
export function strips({ samples, peakStressPa }: Simulation, unit: TemperatureUnit): ChartStrip[] {
	const degree = unit === "F" ? fahrenheitStep(1) : 1;
	const { slump, tack, full } = LEVEL_BANDS;
	return [
		{
			name: "difference through the glass",
			unit: `°${unit}`,
			scale: "linear",
			from: 0,
			to: Math.max(10, mostOf(samples.map(({ spreadK }) => spreadK))) * degree,
			digits: 1,
			lines: [],
			points: samples.map(({ s, spreadK }) => ({ s, v: spreadK * degree })),
		},
		{
			name: "tension passing through",
			unit: "MPa",
			scale: "linear",
			from: 0,
			to: Math.max(ALLOWED_MPA * 1.15, peakStressPa / 1e6),
			digits: 1,
			lines: [{ at: ALLOWED_MPA, word: `${ALLOWED_MPA} allowed` }],
			points: samples.map(({ s, stressPa }) => ({ s, v: stressPa / 1e6 })),
		},
		{
			name: "flow index so far",
			unit: "",
			scale: "log",
			from: slump.from,
			to: 40,
			digits: 3,
			lines: [
				{ at: tack.from, word: "tack" },
				{ at: full.from, word: "full" },
			],
			points: asStrip(samples),
		},
	];
}
