import type { SoakSchool } from "../glass/family";
import type { CoolingSchool } from "./demand";

/** How the heat of the peak is shared between temperature and time. Both ends are in wide use. */
export const HEAT_SCHOOLS = ["hotterShorter", "usual", "coolerLonger"] as const;
export type HeatSchool = (typeof HEAT_SCHOOLS)[number];

/** Hold at the peak, min. Common practice, no source. */
export const HEAT_HOLD_MIN: Record<HeatSchool, number> = { hotterShorter: 5, usual: 10, coolerLonger: 30 };

/** Loads of tiny dots only: on a schedule like all others, or straight up and off. */
export const DOT_SCHOOLS = ["asOthers", "straightUp"] as const;
export type DotSchool = (typeof DOT_SCHOOLS)[number];

export const COOLING_SCHOOLS = ["usual", "cautious"] as const satisfies readonly CoolingSchool[];

/** How a studio fires, where the trade does not agree. */
export interface Schools {
	heat: HeatSchool;
	soak: SoakSchool;
	cooling: CoolingSchool;
	dots: DotSchool;
}

export const USUAL_SCHOOLS: Schools = { heat: "usual", soak: "lower", cooling: "usual", dots: "asOthers" };
