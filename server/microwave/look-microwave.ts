import { microwaveRun } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { runOf } from "./models/run";

/** A look under the lid: when, and what was seen. The same look sent twice counts once. */
export const lookMicrowave: UseCase<"lookMicrowave"> = async ({ tx, now }, { lookId, runId, s, seen }) => {
	const run = await runOf(tx, runId);
	if (run.looks.some(({ id }) => id === lookId)) return { looks: run.looks.length };
	const looks = [...run.looks, { id: lookId, s, seen, at: now.toISOString() }];
	await tx.update(microwaveRun).set({ looks }).where(eq(microwaveRun.id, runId));
	return { looks: looks.length };
};
