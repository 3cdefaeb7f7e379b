import { celsius, fahrenheit, type TemperatureUnit } from "@core/units/temperature";
import { scaleLinear } from "d3-scale";

/** A line across a chart: where it lies, °C, and what is written at it, in the reader's unit. */
export interface TemperatureTick {
	c: number;
	label: string;
}

/** About `count` temperatures of a range (°C) that are round in the unit shown. */
export function temperatureTicks(
	[fromC, toC]: readonly number[],
	count: number,
	unit: TemperatureUnit,
): TemperatureTick[] {
	const [from = 0, to = 0] = [fromC, toC].map((c) => (unit === "F" ? fahrenheit(c ?? 0) : (c ?? 0)));
	return scaleLinear([from, to], [0, 1])
		.ticks(count)
		.map((shown) => ({ c: unit === "F" ? celsius(shown) : shown, label: `${shown}°` }));
}
