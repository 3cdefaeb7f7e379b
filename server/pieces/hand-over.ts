import { PAGE } from "@contract/view";
import { countPieces } from "@db/queries/pieces";
import { pickupSpot, piece } from "@db/schema";
import { and, asc, eq, isNotNull, isNull } from "drizzle-orm";
import type { View } from "../house/view";
import { briefs } from "./models/briefs";

export const handOver: View<"handOver"> = async (context, { most = PAGE }) => {
	const { db } = context;
	const ready = eq(piece.state, "ready");
	const lists = {
		coldWork: eq(piece.state, "coldWork"),
		ready: and(ready, isNull(piece.spot)),
		shelved: and(ready, isNotNull(piece.spot)),
	};
	const [coldWork, unplaced, shelved, spots, coldWorkAll, readyAll, shelvedAll] = await Promise.all([
		briefs(context, lists.coldWork, most),
		briefs(context, lists.ready, most),
		briefs(context, lists.shelved, most),
		db.select().from(pickupSpot).orderBy(asc(pickupSpot.sort)),
		countPieces(db, lists.coldWork),
		countPieces(db, lists.ready),
		countPieces(db, lists.shelved),
	]);
	return {
		coldWork,
		ready: unplaced,
		all: { coldWork: coldWorkAll, ready: readyAll, shelved: shelvedAll },
		spots: spots.map(({ label }) => ({ label, pieces: shelved.filter(({ spot }) => spot === label) })),
	};
};
