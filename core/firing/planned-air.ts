import { type KilnBody, naturalCoolingC } from "../kiln/kiln";
import { temperatureOf } from "./curve";
import { curveOf, type Schedule } from "./schedule";

/** Kiln air by the plan, °C at `s` seconds since the start: along the schedule, then as this kiln cools by itself. Computed, never measured. */
export function plannedAirC(schedule: Schedule, kiln: KilnBody, s: number): number {
	const curve = curveOf(schedule, kiln);
	const end = curve.at(-1);
	if (!end || s <= end.s) return temperatureOf(curve, s);
	return naturalCoolingC(kiln, end.c, s - end.s);
}
