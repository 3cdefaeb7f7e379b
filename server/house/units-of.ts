import type { Units } from "@core/units/phrase";
import type { Studio } from "@db/queries/studio";

/** The units a studio reads in. */
export const unitsOf = ({ lengthUnit, temperatureUnit }: Studio): Units => ({
	length: lengthUnit,
	temperature: temperatureUnit,
});
