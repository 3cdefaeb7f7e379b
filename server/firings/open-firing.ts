import { flowIndex } from "@core/firing/flow-index";
import { feltCurve } from "@core/firing/plan-flow";
import { viscosityOf } from "@core/glass/viscosity";
import { silentAfterS } from "@core/kiln/watch";
import type { Transaction } from "@db/connect";
import { lockFiring } from "@db/queries/firings";
import { increment } from "@db/queries/increment";
import { firingReadings, lastReadings, latestLive, withoutGaps } from "@db/queries/readings";
import { type FiringCame, firing, firingPlace, kiln, kilnAlarm, mould, piece } from "@db/schema";
import { and, eq, inArray, isNull } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { misfitFor } from "../kilns/models/lessons";
import { firingModel } from "./models/firing-model";
import { refuseAtKiln } from "./models/hands";
import { mayOpen } from "./models/may-open";

/** Ends a firing and opens the kiln: by measured temperature and time; earlier only by an instructor with a reason. */
export const openFiring: UseCase<"openFiring"> = async (context, { firingId, earlyReason }) => {
	const { tx, now, actor } = context;
	refuseAtKiln(context, "open");
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state === "opened") return { firingId };
	if (row.state !== "running")
		throw new Refusal("conflict", `Firing ${row.number} is ${row.state}; there is nothing to open.`);
	const reading = await latestLive(tx, row.kilnId, now);
	const [its] = await tx.select({ line: kiln.line }).from(kiln).where(eq(kiln.id, row.kilnId));
	const opening = mayOpen(row, reading, now, silentAfterS(its?.line?.driver));
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
		.set({ usesSince: increment(mould.usesSince) })
		.where(inArray(mould.id, [...ids]));
}
