import { lockMoulds } from "@db/queries/glass";
import { increment } from "@db/queries/increment";
import { mould } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";

/** A mould was washed or papered anew: its firings count from none. A bare one is washed from now on. */
export const washMould: UseCase<"washMould"> = async ({ tx }, { mouldId }) => {
	const [row] = await lockMoulds(tx, [mouldId]);
	const { release } = inTheBook(row, "mould");
	await tx
		.update(mould)
		.set({ release: release === "papered" ? "papered" : "washed", usesSince: 0, revision: increment(mould.revision) })
		.where(eq(mould.id, mouldId));
	return { mouldId };
};
