import { countUnjudged } from "@db/queries/firings";
import { loadHeartbeats } from "@db/queries/heartbeats";
import { currencyFor } from "../glass/models/books";
import { unitsOf } from "../house/units-of";
import type { View } from "../house/view";
import { alarmBriefs, openOrUnseen } from "../kilns/models/alarms";
import { houseTroubles } from "./models/house-troubles";
import { stationCounts } from "./models/station-counts";

export const frame: View<"frame"> = async (context) => {
	const { db, studio } = context;
	const [stations, unjudged, alarms, beats] = await Promise.all([
		stationCounts(context),
		countUnjudged(db),
		alarmBriefs(db, openOrUnseen()),
		loadHeartbeats(db),
	]);
	const { tariff: _, ...customs } = studio.customs;
	return {
		studio: studio.name,
		isDemo: studio.isDemo,
		units: unitsOf(studio),
		timeZone: studio.timeZone,
		clearanceMm: studio.clearanceMm,
		customs,
		currency: currencyFor(context),
		stations,
		unjudged,
		alarms,
		house: houseTroubles(beats),
	};
};
