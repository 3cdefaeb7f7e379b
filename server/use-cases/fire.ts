import { randomUUID } from "node:crypto";
import { flowIndex } from "@core/firing/flow-index";
import { feltCurve } from "@core/firing/plan-flow";
import { scheduleHours } from "@core/firing/schedule";
import { viscosityOf } from "@core/glass/viscosity";
import { afterFiring } from "@core/kiln/record";
import type { Transaction } from "@db/connect";
import { firingReadings, lastReadings, latestReading, withoutGaps } from "@db/queries/readings";
import { type FiringCame, firing, firingPlace, kiln, kilnAlarm, mould, piece } from "@db/schema";
import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import { isStandIn, pressStart } from "../devices/stand-in-panel";
import { firingModel } from "../firing-model";
import { misfitFor } from "../kiln-lessons";
import { mayOpen } from "../may-open";
import type { UseCase } from "../perform";
import { recordStep } from "../record";
import { Refusal } from "../refusal";

/** Starts a planned firing: somebody is at the kiln and has pressed its start; here the record and the readings begin. */
export const startFiring: UseCase<"startFiring"> = {
	role: "assistant",
	async run(context, { firingId, speedUp }) {
		const { tx, now } = context;
		const [row] = await tx.select().from(firing).where(eq(firing.id, firingId)).for("update");
		if (!row) throw new Refusal("missing", "This firing is not in the book.");
		if (row.state === "running" && row.startedAt) return { startedAt: row.startedAt.toISOString() };
		if (row.state !== "planned")
			throw new Refusal("conflict", `Firing ${row.number} is ${row.state} and cannot be started.`);
		const [other] = await tx
			.select()
			.from(firing)
			.where(and(eq(firing.kilnId, row.kilnId), eq(firing.state, "running")));
		if (other) throw new Refusal("conflict", `This kiln still holds firing ${other.number}. Open and unload it first.`);
		const places = await tx.select().from(firingPlace).where(eq(firingPlace.firingId, firingId));
		for (const { pieceId } of places) {
			await recordStep(context, { pieceId, eventId: randomUUID(), data: { type: "firingStarted", firingId } });
		}
		const [its] = await tx.select().from(kiln).where(eq(kiln.id, row.kilnId)).for("update");
		if (!its) throw new Refusal("missing", "This kiln is not in the book.");
		const { line } = its;
		if (speedUp > 1 && !isStandIn(line))
			throw new Refusal("invalid", `Only the stand-in’s clock can run faster: ${its.name} is real.`);
		await tx.update(firing).set({ state: "running", startedAt: now, speedUp }).where(eq(firing.id, firingId));
		const hours = scheduleHours(row.schedule, its.body);
		await tx
			.update(kiln)
			.set({ uses: its.uses + 1, ...afterFiring(its, hours) })
			.where(eq(kiln.id, its.id));
		if (isStandIn(line)) context.afterwards.push(() => pressStart(line.port, row.schedule.segments, speedUp));
		return { startedAt: now.toISOString() };
	},
};

/** Ends a firing and opens the kiln: by measured temperature and time; earlier only by an instructor with a reason. */
export const openFiring: UseCase<"openFiring"> = {
	role: "assistant",
	async run({ tx, now, actor }, { firingId, earlyReason }) {
		const [row] = await tx.select().from(firing).where(eq(firing.id, firingId)).for("update");
		if (!row) throw new Refusal("missing", "This firing is not in the book.");
		if (row.state === "opened") return { firingId };
		if (row.state !== "running")
			throw new Refusal("conflict", `Firing ${row.number} is ${row.state}; there is nothing to open.`);
		const reading = await latestReading(tx, row.kilnId);
		const [its] = await tx.select({ line: kiln.line }).from(kiln).where(eq(kiln.id, row.kilnId));
		const opening = mayOpen(row, reading, now, its?.line !== null);
		if (!opening.may) {
			if (actor.role !== "instructor")
				throw new Refusal("forbidden", `${opening.why} Only an instructor may open earlier.`);
			if (earlyReason.length < 5) {
				throw new Refusal("invalid", [
					{
						path: ["earlyReason"],
						sentence: `${opening.why} To open all the same, give a reason of at least 5 characters.`,
					},
				]);
			}
		}
		const note = opening.may ? row.note : `Opened before it was cool: ${earlyReason}`;
		const came = await whatCame(tx, firingId);
		await tx.update(firing).set({ state: "opened", finishedAt: now, note, came }).where(eq(firing.id, firingId));
		// What was wrong with it is over: nobody watches an opened kiln.
		await tx
			.update(kilnAlarm)
			.set({ endedAt: now })
			.where(and(eq(kilnAlarm.firingId, firingId), isNull(kilnAlarm.endedAt)));
		await countMouldUses(tx, firingId);
		return { firingId };
	},
};

/** The measured curve in three figures, for the kiln's record; null where there are too few readings. */
async function whatCame(tx: Transaction, firingId: string): Promise<FiringCame | null> {
	const model = await firingModel(tx, firingId);
	const measured = withoutGaps(await firingReadings(tx, firingId));
	if (measured.length < 10) return null;
	const [last] = await lastReadings(tx, firingId, 1);
	return {
		flow: flowIndex(viscosityOf(model.family), feltCurve(measured, model.kiln.body)),
		kwh: last?.kwh ?? null,
		misfit: (await misfitFor(tx, firingId)) ?? null,
	};
}

/** Every mould that lay in a firing has one use more since its release was renewed. */
async function countMouldUses(tx: Transaction, firingId: string): Promise<void> {
	const rows = await tx
		.select({ journey: piece.journey })
		.from(firingPlace)
		.innerJoin(piece, eq(piece.id, firingPlace.pieceId))
		.where(eq(firingPlace.firingId, firingId));
	const ids = new Set(rows.flatMap(({ journey }) => journey.route[journey.step]?.mouldId ?? []));
	if (ids.size === 0) return;
	await tx
		.update(mould)
		.set({ usesSince: sql`${mould.usesSince} + 1` })
		.where(inArray(mould.id, [...ids]));
}

/** What came out, piece by piece, and where it goes next. */
export const judge: UseCase<"judge"> = {
	role: "assistant",
	async run(context, { pieceId, eventId, seq, firingId, level, faults, next, note }) {
		const { tx } = context;
		const [row] = await tx.select().from(firing).where(eq(firing.id, firingId)).for("update");
		if (!row) throw new Refusal("missing", "This firing is not in the book.");
		if (row.state !== "opened") throw new Refusal("conflict", `Firing ${row.number} has not been opened yet.`);
		const [held] = await tx.select().from(piece).where(eq(piece.id, pieceId));
		if (held?.journey.firingId !== firingId && held?.seq === seq)
			throw new Refusal("conflict", "This piece was not in that firing.");
		if (next === "nextFiring" && held?.seq === seq && !held.journey.route[held.journey.step + 1]) {
			throw new Refusal("invalid", [
				{ path: ["next"], sentence: "The route has no further firing: choose ready, cold work, refire or spoiled." },
			]);
		}
		const { journey, repeated } = await recordStep(context, {
			pieceId,
			eventId,
			seq,
			data: { type: "judged", firingId, level, faults, next, note },
		});
		if (!repeated) {
			await tx
				.update(firingPlace)
				.set({ judgedLevel: level, faults, next })
				.where(and(eq(firingPlace.firingId, firingId), eq(firingPlace.pieceId, pieceId)));
		}
		return { state: journey.state };
	},
};
