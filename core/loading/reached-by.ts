import type { FuseLevel } from "../firing/level";
import { planFlow } from "../firing/plan-flow";
import { peakOf, type Schedule } from "../firing/schedule";
import type { GlassFamily } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import type { KilnBody } from "../kiln/kiln";
import type { Reached } from "./heat-there";

/** What a schedule does in the middle of a kiln. */
export const reachedBy = (
	schedule: Schedule,
	family: GlassFamily,
	level: FuseLevel,
	{ body }: { body: KilnBody },
): Reached => ({ family, level, flow: planFlow(schedule, viscosityOf(family), body), peakC: peakOf(schedule) });
