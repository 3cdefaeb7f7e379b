import { loadHeartbeats } from "@db/queries/heartbeats";
import { currencyFor } from "../glass/models/books";
import { unitsOf } from "../house/units-of";
import type { View } from "../house/view";
import { alarmBriefs, openOrUnseen } from "../kilns/models/alarms";
import { kilnCells } from "../kilns/models/cells";
import { houseTroubles } from "./models/house-troubles";
import { stationCounts } from "./models/station-counts";

export const frame: View<"frame"> = async (context) => {
	const { studio, actor, now } = context;
	const kilns = await kilnCells(context);
	const { tariff: _, ...customs } = studio.customs;
	return {
		studio: studio.name,
		isDemo: studio.isDemo,
		units: unitsOf(studio),
		timeZone: studio.timeZone,
		now: now.toISOString(),
		person: { name: actor.name, role: actor.role },
		clearanceMm: studio.clearanceMm,
		customs,
		currency: currencyFor(context),
		stations: await stationCounts(context, kilns),
		kilns,
		alarms: await alarmBriefs(context.db, openOrUnseen()),
		house: houseTroubles(await loadHeartbeats(context.db)),
	};
};
