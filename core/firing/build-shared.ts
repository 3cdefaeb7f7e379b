import type { GlassFamily } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import { type BuildOptions, buildSchedule, soakCOf } from "./build";
import type { Demand } from "./demand";
import { LEVEL_AIM, LEVEL_BANDS } from "./level";
import { planFlow } from "./plan-flow";
import type { Schedule } from "./schedule";

/** Families anneal together where their annealing points are no farther apart, K. Common practice, no source. */
const MOST_APART_K = 25;
/** The flow is known to a tenth. */
const MARGIN = 1.1;
/** The aim is moved so far into its band that whole degrees of the peak do not lead out of the margin. */
const ROOM = 1.15;

/**
 * The schedule that meets a demand for one family, or for two at once: the peak lies so that one flows as much more than its aim as the
 * other flows less, both within the level's band; annealed at the warmer of the two soaks. Undefined where no schedule suits both.
 */
export function buildShared(
	demand: Demand,
	families: readonly GlassFamily[],
	options: Omit<BuildOptions, "family">,
): Schedule | undefined {
	const [family, other] = families;
	if (!family) return undefined;
	if (!other) return buildSchedule(demand, { ...options, family });
	if (Math.abs(family.annealingC - other.annealingC) > MOST_APART_K) return undefined;
	const flowOf = (schedule: Schedule, of: GlassFamily) => planFlow(schedule, viscosityOf(of), options.kiln);
	const aim = options.aim ?? LEVEL_AIM[demand.level];
	const first = buildSchedule(demand, { ...options, family, aim });
	const ratio = flowOf(first, other) / flowOf(first, family);
	const soakC = Math.max(soakCOf(family, options.soakSchool), soakCOf(other, options.soakSchool));
	const { from, to } = LEVEL_BANDS[demand.level];
	const apart = Math.sqrt(Math.max(ratio, 1 / ratio)) * ROOM;
	const middle = Math.min(Math.max(aim, from * apart), to / apart);
	const schedule = buildSchedule(demand, { ...options, family, aim: middle / Math.sqrt(ratio), soakC });
	const suits = families.every((one) => {
		const flow = flowOf(schedule, one);
		return flow >= from * MARGIN && flow < to / MARGIN;
	});
	return suits ? schedule : undefined;
}
