import type { Transaction } from "@db/connect";
import { microwaveRun } from "@db/schema";
import { eq } from "drizzle-orm";
import { Refusal } from "../../house/refusal";

export async function runOf(tx: Transaction, runId: string) {
	const [run] = await tx.select().from(microwaveRun).where(eq(microwaveRun.id, runId)).for("update");
	if (!run) throw new Refusal("missing", "There is no such run in this studio.");
	return run;
}
