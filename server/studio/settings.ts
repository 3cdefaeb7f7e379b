import { loadSpots } from "@db/queries/studio";
import type { View } from "../house/view";
import { schoolsOf } from "../schedules/models/schools";

/** How the studio works where nobody says otherwise. */
export const settings: View<"settings"> = async ({ db, studio }) => ({
	settings: {
		name: studio.name,
		timeZone: studio.timeZone,
		currency: studio.currency,
		units: studio.lengthUnit === "in" ? "in.F" : "mm.C",
		clearanceMm: studio.clearanceMm,
		spots: await loadSpots(db),
	},
	schools: schoolsOf(studio),
	revision: studio.revision,
});
