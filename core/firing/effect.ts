import type { GlassFamily } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import type { KilnBody } from "../kiln/kiln";
import { type Simulation, simulateFiring } from "../kiln/simulate";
import { type FuseLevel, levelOf } from "./level";
import { planFlow } from "./plan-flow";
import { peakOf, type Schedule } from "./schedule";

/** What a schedule does, beside another one: effects, not shapes. */
export interface ScheduleEffect {
	/** Flow index of the plan and the level it means, family by family. */
	byFamily: { familyId: string; label: string; flow: number; level: FuseLevel | undefined }[];
	peakC: number;
	/** Passing tension on the way up and down, and what stays, MPa. */
	heatingMPa: number;
	coolingMPa: number;
	frozenMPa: number;
	/** Hours until the controller is done, and until it may be opened. */
	hours: number;
	openHours: number;
	kwh: number;
}

export function effectOf(
	schedule: Schedule,
	kiln: KilnBody,
	families: readonly GlassFamily[],
	simulation: Simulation,
): ScheduleEffect {
	return {
		byFamily: families
			.filter(({ tested }) => tested)
			.map((family) => {
				const flow = planFlow(schedule, viscosityOf(family), kiln);
				return { familyId: family.id, label: family.label, flow, level: levelOf(flow).level };
			}),
		peakC: peakOf(schedule),
		heatingMPa: simulation.heatingStressPa / 1e6,
		coolingMPa: simulation.coolingStressPa / 1e6,
		frozenMPa: simulation.frozenStressPa / 1e6,
		hours: simulation.endS / 3600,
		openHours: simulation.openS / 3600,
		kwh: simulation.kwh,
	};
}

/** Simulates a schedule by itself, with glass of one thickness, and reads its effect. */
export function tried(
	schedule: Schedule,
	kiln: KilnBody,
	family: GlassFamily,
	families: readonly GlassFamily[],
	thicknessMm: number,
): ScheduleEffect {
	return effectOf(schedule, kiln, families, simulateFiring({ kiln, schedule, family, thicknessMm }));
}
