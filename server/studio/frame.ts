import { loadHeartbeats } from "@db/queries/heartbeats";
import type { View } from "../house/view";
import { alarmBriefs, openOrUnseen } from "../kilns/models/alarms";
import { kilnCells } from "../kilns/models/cells";
import { houseTroubles } from "./models/house-troubles";
import { stationCounts } from "./models/station-counts";

export const frame: View<"frame"> = async (context) => {
	const { studio, actor, now } = context;
	const kilns = await kilnCells(context);
	return {
		studio: studio.name,
		isDemo: studio.isDemo,
		units: { length: studio.lengthUnit, temperature: studio.temperatureUnit },
		timeZone: studio.timeZone,
		now: now.toISOString(),
		person: { name: actor.name, role: actor.role },
		clearanceMm: studio.clearanceMm,
		stations: await stationCounts(context, kilns),
		kilns,
		alarms: await alarmBriefs(context.db, openOrUnseen()),
		house: houseTroubles(await loadHeartbeats(context.db)),
	};
};
