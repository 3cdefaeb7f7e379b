import type { Transaction } from "@db/connect";
import { type KilnRow, lockKiln } from "@db/queries/kilns";
import { inTheBook, Refusal } from "../../house/refusal";

export const lockedKiln = async (tx: Transaction, kilnId: string): Promise<KilnRow> =>
	inTheBook(await lockKiln(tx, kilnId), "kiln");

/** Nothing is fired in a kiln that is put away. */
export function refuseRetired({ name, retired }: KilnRow): void {
	if (retired) throw new Refusal("conflict", `“${name}” is put away. Bring it back on its page first.`);
}
