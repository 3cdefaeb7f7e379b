import type { Transaction } from "@db/connect";
import { type KilnRow, lockKiln } from "@db/queries/kilns";
import { inTheBook } from "../../house/refusal";

export const lockedKiln = async (tx: Transaction, kilnId: string): Promise<KilnRow> =>
	inTheBook(await lockKiln(tx, kilnId), "kiln");
