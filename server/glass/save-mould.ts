import { mould } from "@db/schema";
import type { UseCase } from "../house/context";
import { saved } from "../house/saved";

/** Writes one mould into the book. Its firings since the last release go on being counted, unless a person counted anew. */
export const saveMould: UseCase<"saveMould"> = async ({ tx }, { mould: row, revision }) => ({
	mouldId: row.id,
	revision: await saved(row.name, tx, mould, row, revision),
});
