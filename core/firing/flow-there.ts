import type { GlassFamily } from "../glass/family";
import { logEta, viscosityOf } from "../glass/viscosity";

/**
 * The flow index at a place that is hotter or cooler than the middle by so much, K, where the middle gets `flow` by a peak of so much,
 * °C. By viscosity at the peak, where most of the flow gathers: good to a tenth for a few degrees.
 */
export const flowThere = (
	family: Pick<GlassFamily, "annealingC" | "softeningC" | "workingC">,
	{ flow, peakC }: { flow: number; peakC: number },
	offsetK: number,
): number => {
	const v = viscosityOf(family);
	return flow * 10 ** (logEta(v, peakC) - logEta(v, peakC + offsetK));
};
