import { increment } from "@db/queries/increment";
import { mould } from "@db/schema";
import { eq, sql } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";

/** A mould was washed or papered anew: its firings count from none. A bare one is washed from now on. */
export const washMould: UseCase<"washMould"> = async ({ tx }, { mouldId }) => {
	const [row] = await tx
		.update(mould)
		.set({
			release: sql`case when ${mould.release} = 'papered' then 'papered' else 'washed' end`,
			usesSince: 0,
			revision: increment(mould.revision),
		})
		.where(eq(mould.id, mouldId))
		.returning({ id: mould.id });
	return { mouldId: inTheBook(row, "mould").id };
};
