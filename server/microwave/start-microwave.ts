import { lockKiln } from "@db/queries/kilns";
import { microwaveRun, oven } from "@db/schema";
import { and, eq, isNull } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { refuseRetired } from "../kilns/models/kiln";

/** The block goes into the oven. One run a block at a time. */
export const startMicrowave: UseCase<"startMicrowave"> = async ({ tx, now }, { runId, blockId, ovenId, ...rest }) => {
	const [again] = await tx.select().from(microwaveRun).where(eq(microwaveRun.id, runId));
	if (again) return { runId };
	const block = await lockKiln(tx, blockId);
	if (block?.kind !== "microwaveBlock") throw new Refusal("invalid", "Choose a microwave block.");
	refuseRetired(block);
	const [its] = await tx.select().from(oven).where(eq(oven.id, ovenId));
	if (!its || its.retired) throw new Refusal("invalid", "Choose an oven.");
	const foreign = rest.plan.find(({ watts }) => !its.watts.includes(watts));
	if (foreign) throw new Refusal("invalid", `${its.name} has no ${foreign.watts} W.`);
	const [busy] = await tx
		.select()
		.from(microwaveRun)
		.where(and(eq(microwaveRun.blockId, blockId), isNull(microwaveRun.openedAt)));
	if (busy) throw new Refusal("conflict", `${block.name} is still hot from its last run. Open it first.`);
	await tx.insert(microwaveRun).values({ id: runId, blockId, ovenId, ...rest, startedAt: now });
	return { runId };
};
