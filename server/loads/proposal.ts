import { inPool } from "../heavy/in-pool";
import type { View } from "../house/view";
import { loadKilnOf, planLoad } from "./models/plan-load";

/** The load these pieces would make; nothing is written. */
export const proposal: View<"proposal"> = async ({ db, studio, now }, params) => {
	const { proposal: planned, kiln, family, pieces } = await planLoad(db, studio, params.kiln, params.pieces);
	const loaded = pieces.filter(({ id }) => planned.places.some((place) => place.id === id));
	const drawn = await inPool("drawLoad", {
		pieces: loaded,
		kiln: loadKilnOf(kiln),
		family,
		schedule: planned.schedule,
	});
	return {
		...planned,
		kilnId: kiln.id,
		openAt: new Date(now.getTime() + planned.openS * 1000).toISOString(),
		...drawn,
	};
};
