import { byId } from "@core/by-id";
import type { KitReading } from "@core/stack/read-kit";
import { asc, eq, inArray, type SQL, sql } from "drizzle-orm";
import type { Reader } from "../connect";
import { firing, glass, kitVersion, piece, student } from "../schema";

/** Of a kit's reading, what lists show. */
export type ListedReading = Omit<KitReading, "findings" | "outlines" | "outline">;

/** Pieces as every list shows them, oldest wait first; at most `most`, where a list may grow long. A kit's reading is read once. */
export async function briefRows(reader: Reader, where: SQL | undefined, most?: number) {
	const found = reader
		.select({
			piece,
			student: student.name,
			startedAt: firing.startedAt,
			openS: sql<number | null>`coalesce(${firing.predictedOpenS}, ${firing.openS})`,
			speedUp: firing.speedUp,
		})
		.from(piece)
		.leftJoin(student, eq(student.id, piece.studentId))
		.leftJoin(firing, eq(firing.id, piece.firingId))
		.where(where)
		.orderBy(asc(piece.since), asc(piece.code));
	const rows = await (most === undefined ? found : found.limit(most));
	const kits = await kitsOf(reader, [...new Set(rows.flatMap((row) => row.piece.kitVersionId ?? []))]);
	return rows.map((row) => ({ ...row, kit: kits.get(row.piece.kitVersionId ?? "") }));
}
export type BriefRow = Awaited<ReturnType<typeof briefRows>>[number];

async function kitsOf(reader: Reader, ids: string[]) {
	if (ids.length === 0) return new Map<string, never>();
	const rows = await reader
		.select({
			id: kitVersion.id,
			name: kitVersion.name,
			reading: sql<ListedReading | null>`${kitVersion.reading} - '{findings,outlines,outline}'::text[]`,
		})
		.from(kitVersion)
		.where(inArray(kitVersion.id, ids));
	return byId(rows);
}

/** What each glass looks like after firing, and how thick it is bought, mm; by id. */
export async function firedGlasses(reader: Reader): Promise<Map<string, { firedColour: string; thicknessMm: number }>> {
	const rows = await reader
		.select({ id: glass.id, firedColour: glass.firedColour, thicknessMm: glass.thicknessMm })
		.from(glass);
	return new Map(rows.map(({ id, ...one }) => [id, one]));
}
