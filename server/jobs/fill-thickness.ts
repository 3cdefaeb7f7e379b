import type { Database } from "@db/connect";
import { lockWithoutThickness, writeThickness } from "@db/queries/pieces";
import { annealsAsMm } from "../pieces/models/record";

const BATCH = 500;

/**
 * Writes the thickness to anneal as beside pieces that were measured before it had a column.
 * @returns how many were written
 */
export async function fillThickness(db: Database): Promise<number> {
	let written = 0;
	let after: string | undefined;
	do {
		after = await db.transaction(async (tx) => {
			const rows = await lockWithoutThickness(tx, after, BATCH);
			const known = rows.flatMap(({ id, journey }) => {
				const effectiveMm = annealsAsMm(journey);
				return effectiveMm === null ? [] : [{ id, effectiveMm }];
			});
			await writeThickness(tx, known);
			written += known.length;
			return rows.length === BATCH ? rows.at(-1)?.id : undefined;
		});
	} while (after !== undefined);
	return written;
}
