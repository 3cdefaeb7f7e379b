import { kilnAlarm } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";

/** Somebody has seen an alarm. It goes on for as long as its cause does. */
export const seeAlarm: UseCase<"seeAlarm"> = async ({ tx, now, actor }, { alarmId }) => {
	const [row] = await tx.select().from(kilnAlarm).where(eq(kilnAlarm.id, alarmId)).for("update");
	if (!row) throw new Refusal("missing", "There is no such alarm in this studio.");
	if (!row.seenAt) await tx.update(kilnAlarm).set({ seenAt: now, seenById: actor.id }).where(eq(kilnAlarm.id, alarmId));
	return { alarmId };
};
