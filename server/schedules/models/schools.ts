import type { Schools } from "@core/firing/schools";
import type { Studio } from "@db/queries/studio";

export const schoolsOf = (studio: Studio): Schools => ({
	heat: studio.heatSchool,
	soak: studio.soakSchool,
	cooling: studio.coolingSchool,
	warmUp: studio.warmUpSchool,
	dots: studio.dotSchool,
});
