import type { Database } from "@db/connect";
import { loadStudio } from "@db/queries/studio";
import { photo } from "@db/schema";
import { sql } from "drizzle-orm";
import { type Actor, CHANGED } from "./perform";
import { recordStep } from "./record";
import { reencode } from "./reencode";

/** Keeps a photo of a piece as one step of its journey. */
export async function addPhoto(
	db: Database,
	bytes: Buffer,
	to: { pieceId: string; eventId: string },
	who: { actor: Actor; now: Date; headers: Headers },
): Promise<{ photoId: string }> {
	const made = await reencode(bytes, "photo");
	return db.transaction(async (tx) => {
		const studio = await loadStudio(tx);
		const { repeated } = await recordStep(
			{ tx, studio, ...who, afterwards: [] },
			{ ...to, data: { type: "photographed", photoId: to.eventId } },
		);
		if (!repeated) await tx.insert(photo).values({ id: to.eventId, pieceId: to.pieceId, takenAt: who.now, ...made });
		await tx.execute(sql`select pg_notify(${CHANGED}, 'photo')`);
		return { photoId: to.eventId };
	});
}
