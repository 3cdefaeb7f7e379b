import { bodyOfJourney } from "@core/piece/of-journey";
import { shapeOfReading } from "@core/piece/old-reading";
import type { KitReading } from "@core/stack/read-kit";
import { eq, sql } from "drizzle-orm";
import type { Reader } from "../connect";
import { firingPlace, kitVersion, piece } from "../schema";

/** The pieces that lie in a firing, as it finds them, on which shelf; those nothing is known of are left out. */
export async function lyingIn(reader: Reader, firingId: string) {
	const rows = await reader
		.select({
			journey: piece.journey,
			shelf: firingPlace.shelf,
			reading: sql<Omit<KitReading, "findings"> | null>`${kitVersion.reading} - '{findings,outlines,outline}'::text[]`,
		})
		.from(firingPlace)
		.innerJoin(piece, eq(piece.id, firingPlace.pieceId))
		.leftJoin(kitVersion, eq(kitVersion.id, piece.kitVersionId))
		.where(eq(firingPlace.firingId, firingId));
	return rows.flatMap(({ journey, shelf, reading }) => {
		const body = bodyOfJourney(shapeOfReading(reading, journey.route), journey);
		return body ? [{ body, shelf, journey }] : [];
	});
}
