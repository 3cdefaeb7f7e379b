import type { SoakSchool } from "../glass/family";
/** How the heat of the peak is shared between temperature and time. Both ends are in wide use. */
export const HEAT_SCHOOLS = ["hotterShorter", "usual", "coolerLonger"] as const;
export type HeatSchool = (typeof HEAT_SCHOOLS)[number];

/** Hold at the peak, min. Common practice, no source. */
export const HEAT_HOLD_MIN: Record<HeatSchool, number> = { hotterShorter: 5, usual: 10, coolerLonger: 30 };

/** Loads of tiny dots only: on a schedule like all others, or straight up and off. */
export const DOT_SCHOOLS = ["asOthers", "straightUp"] as const;
export type DotSchool = (typeof DOT_SCHOOLS)[number];

export const COOLING_SCHOOLS = ["usual", "cautious"] as const;
export type CoolingSchool = (typeof COOLING_SCHOOLS)[number];

/** How fast cold glass is heated. Both are in wide use. */
export const WARM_UP_SCHOOLS = ["usual", "cautious"] as const;
export type WarmUpSchool = (typeof WARM_UP_SCHOOLS)[number];

/**
 * Allowed difference through glass that heats from cold, K: surfaces are pressed together while they heat and the core carries
 * half the tension, so heating bears more than cooling. Common practice, no source.
 */
export const WARM_UP_LAG_K: Record<WarmUpSchool, number> = { usual: 10, cautious: 5 };

/** What sets the rates up and down. */
export type Pace = Pick<Schools, "cooling" | "warmUp">;

/** How a studio fires, where the trade does not agree. */
export interface Schools {
	heat: HeatSchool;
	soak: SoakSchool;
	cooling: CoolingSchool;
	warmUp: WarmUpSchool;
	dots: DotSchool;
}

export const USUAL_PACE: Pace = { cooling: "usual", warmUp: "usual" };

export const USUAL_SCHOOLS: Schools = { ...USUAL_PACE, heat: "usual", soak: "lower", dots: "asOthers" };
