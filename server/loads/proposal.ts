import { costFor, endOf } from "../firings/models/costs";
import { inPool } from "../heavy/in-pool";
import type { View } from "../house/view";
import { houseHoursOf } from "../studio/models/house-hours";
import { loadKilnOf, planLoad } from "./models/plan-load";

/** The load these pieces would make; nothing is written. */
export const proposal: View<"proposal"> = async (context, params) => {
	const { db, studio, now } = context;
	const {
		proposal: planned,
		kiln,
		family,
		pieces,
	} = await planLoad(db, studio, params.kiln, params.pieces, {
		scheduleOnly: params.lay === "no",
		shelves: Number(params.shelves ?? 1),
	});
	const loaded = pieces.filter(({ id }) => !planned.leftIds.includes(id));
	const drawn = await inPool("drawLoad", {
		pieces: loaded,
		kiln: loadKilnOf(kiln),
		family,
		schedule: planned.schedule,
		shelves: planned.shelves,
	});
	const openAt = new Date(now.getTime() + planned.openS * 1000);
	return {
		...planned,
		kilnId: kiln.id,
		openAt: openAt.toISOString(),
		house: houseHoursOf(studio, now, endOf(now, planned.schedule), openAt),
		cost: costFor(context, { kwh: planned.kwh, hours: planned.openS / 3600 }),
		...drawn,
	};
};
