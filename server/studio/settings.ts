import { loadNextFiring, loadSpots } from "@db/queries/studio";
import type { View } from "../house/view";
import { schoolsOf } from "../schedules/models/schools";

const NAMED = new Intl.DisplayNames("en", { type: "currency" });

/** How the studio works where nobody says otherwise. */
export const settings: View<"settings"> = async ({ db, studio }) => ({
	settings: {
		name: studio.name,
		timeZone: studio.timeZone,
		currency: studio.currency,
		units: studio.lengthUnit === "in" ? "in.F" : "mm.C",
		clearanceMm: studio.clearanceMm,
		spots: await loadSpots(db),
		customs: studio.customs,
		nextFiring: await loadNextFiring(db),
	},
	schools: schoolsOf(studio),
	revision: studio.revision,
	zones: [...new Set([studio.timeZone, ...Intl.supportedValuesOf("timeZone")])],
	currencies: Intl.supportedValuesOf("currency").map((code) => ({ code, name: NAMED.of(code) ?? code })),
});
