import { kiln, microwaveRun, oven } from "@db/schema";
import { and, eq, isNull, sql } from "drizzle-orm";
import type { UseCase } from "../perform";
import { Refusal } from "../refusal";

export const saveOven: UseCase<"saveOven"> = {
	role: "instructor",
	async run({ tx }, { oven: row }) {
		const kept = { ...row, watts: [...new Set(row.watts)].sort((a, b) => a - b) };
		await tx.insert(oven).values(kept).onConflictDoUpdate({ target: oven.id, set: kept });
		return { ovenId: row.id };
	},
};

/** The block goes into the oven. One run a block at a time. */
export const startMicrowave: UseCase<"startMicrowave"> = {
	role: "assistant",
	async run({ tx, now }, { runId, blockId, ovenId, ...rest }) {
		const [again] = await tx.select().from(microwaveRun).where(eq(microwaveRun.id, runId));
		if (again) return { runId };
		const [block] = await tx.select().from(kiln).where(eq(kiln.id, blockId)).for("update");
		if (block?.kind !== "microwaveBlock") throw new Refusal("invalid", "Choose a microwave block.");
		const [its] = await tx.select().from(oven).where(eq(oven.id, ovenId));
		if (!its) throw new Refusal("invalid", "Choose an oven.");
		const foreign = rest.plan.find(({ watts }) => !its.watts.includes(watts));
		if (foreign) throw new Refusal("invalid", `${its.name} has no ${foreign.watts} W.`);
		const [busy] = await tx
			.select()
			.from(microwaveRun)
			.where(and(eq(microwaveRun.blockId, blockId), isNull(microwaveRun.openedAt)));
		if (busy) throw new Refusal("conflict", `${block.name} is still hot from its last run. Open it first.`);
		await tx.insert(microwaveRun).values({ id: runId, blockId, ovenId, ...rest, startedAt: now });
		return { runId };
	},
};

/** A look under the lid: when, and what was seen. */
export const lookMicrowave: UseCase<"lookMicrowave"> = {
	role: "assistant",
	async run({ tx, now }, { runId, s, seen }) {
		const run = await runOf(tx, runId);
		const looks = [...run.looks, { s, seen, at: now.toISOString() }];
		await tx.update(microwaveRun).set({ looks }).where(eq(microwaveRun.id, runId));
		return { looks: looks.length };
	},
};

/** The last heat is given: it stands closed and cools. The block has one use more. */
export const endMicrowave: UseCase<"endMicrowave"> = {
	role: "assistant",
	async run({ tx, now }, { runId, steps }) {
		const run = await runOf(tx, runId);
		if (run.heatedAt) return { runId };
		await tx.update(microwaveRun).set({ steps, heatedAt: now }).where(eq(microwaveRun.id, runId));
		await tx
			.update(kiln)
			.set({ uses: sql`${kiln.uses} + 1` })
			.where(eq(kiln.id, run.blockId));
		return { runId };
	},
};

/** It was cool enough to touch: the cooling time becomes part of the record. */
export const openMicrowave: UseCase<"openMicrowave"> = {
	role: "assistant",
	async run({ tx, now }, { runId, outcome, note }) {
		const run = await runOf(tx, runId);
		if (!run.heatedAt) throw new Refusal("conflict", "It is still being heated. End the heat first.");
		if (!run.openedAt)
			await tx.update(microwaveRun).set({ outcome, note, openedAt: now }).where(eq(microwaveRun.id, runId));
		return { coolingMin: Math.round(((run.openedAt ?? now).getTime() - run.heatedAt.getTime()) / 60_000) };
	},
};

async function runOf(tx: Parameters<UseCase<"lookMicrowave">["run"]>[0]["tx"], runId: string) {
	const [run] = await tx.select().from(microwaveRun).where(eq(microwaveRun.id, runId)).for("update");
	if (!run) throw new Refusal("missing", "This run is not in the book.");
	return run;
}
