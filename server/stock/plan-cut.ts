import { classSession, cutRun } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { freezeKit } from "../kits/models/freeze-kit";

/** Puts a kit on a class's cut list, or changes how many of it. */
export const planCut: UseCase<"planCut"> = async ({ tx, now }, { sessionId, kitId, kits }) => {
	const [session] = await tx.select().from(classSession).where(eq(classSession.id, sessionId));
	if (!session) throw new Refusal("missing", "This class is not in the book.");
	const version = await freezeKit(tx, kitId, now);
	const [run] = await tx
		.insert(cutRun)
		.values({ sessionId, kitVersionId: version.id, kits })
		.onConflictDoUpdate({ target: [cutRun.sessionId, cutRun.kitVersionId], set: { kits } })
		.returning();
	return { cutRunId: (run as NonNullable<typeof run>).id };
};
