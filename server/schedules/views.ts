import { inUse } from "@core/glass/glass";
import { loadGlass } from "@db/queries/glass";
import { kitNames } from "@db/queries/kits";
import { firing, kiln, piece } from "@db/schema";
import { asc, eq } from "drizzle-orm";
import type { View } from "../house/view";
import { briefs } from "../pieces/models/briefs";
import { scheduleBriefs } from "./models/briefs";
import { schoolsOf } from "./models/schools";

/** Schedules kept under a name, and what a new one could be made for. */
export const schedules: View<"schedules"> = async (context) => {
	const { db, studio } = context;
	const { families } = await loadGlass(db);
	const planned = await db
		.select({ id: firing.id, number: firing.number, kiln: kiln.name, level: firing.level })
		.from(firing)
		.innerJoin(kiln, eq(kiln.id, firing.kilnId))
		.where(eq(firing.state, "planned"))
		.orderBy(asc(firing.number));
	const queued = await briefs(context, eq(piece.state, "queued"), 100);
	return {
		schedules: inUse(await scheduleBriefs(db)),
		schools: { ...schoolsOf(studio), revision: studio.revision },
		families,
		kits: await kitNames(db),
		pieces: queued.map(({ code, student, kit, level }) => ({ code, student, kit, level })),
		firings: planned,
	};
};
