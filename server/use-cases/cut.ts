import { cutListOf } from "@core/cutting/count";
import { cutsOf } from "@core/kit/kit";
import { classSession, cutRun, cutTick, kitVersion } from "@db/schema";
import { and, eq } from "drizzle-orm";
import { freezeKit } from "../freeze-kit";
import type { UseCase } from "../perform";
import { Refusal } from "../refusal";

/** Puts a kit on a class's cut list, or changes how many of it. */
export const planCut: UseCase<"planCut"> = {
	role: "assistant",
	async run({ tx, now }, { sessionId, kitId, kits }) {
		const [session] = await tx.select().from(classSession).where(eq(classSession.id, sessionId));
		if (!session) throw new Refusal("missing", "This class is not in the book.");
		const version = await freezeKit(tx, kitId, now);
		const [run] = await tx
			.insert(cutRun)
			.values({ sessionId, kitVersionId: version.id, kits })
			.onConflictDoUpdate({ target: [cutRun.sessionId, cutRun.kitVersionId], set: { kits } })
			.returning();
		return { cutRunId: (run as NonNullable<typeof run>).id };
	},
};

/** Says how many of one cut are done: an absolute number, so that a repeated tap counts once. */
export const tickCut: UseCase<"tickCut"> = {
	role: "assistant",
	async run({ tx }, { cutRunId, lineKey, done }) {
		const [run] = await tx
			.select({ kits: cutRun.kits, document: kitVersion.document })
			.from(cutRun)
			.innerJoin(kitVersion, eq(kitVersion.id, cutRun.kitVersionId))
			.where(eq(cutRun.id, cutRunId));
		if (!run) throw new Refusal("missing", "This cut list is gone.");
		const line = cutListOf(cutsOf(run.document), run.kits).find(({ key }) => key === lineKey);
		if (!line) throw new Refusal("missing", "This cut is not on the list any more.");
		await tx
			.insert(cutTick)
			.values({ cutRunId, lineKey, done })
			.onConflictDoUpdate({ target: [cutTick.cutRunId, cutTick.lineKey], set: { done } });
		const [tick] = await tx
			.select()
			.from(cutTick)
			.where(and(eq(cutTick.cutRunId, cutRunId), eq(cutTick.lineKey, lineKey)));
		return { done: tick?.done ?? 0 };
	},
};
