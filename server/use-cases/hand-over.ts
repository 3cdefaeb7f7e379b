import { lastUndoable } from "@core/journey/journey";
import { firingPlace, pickupSpot, piece } from "@db/schema";
import { and, eq } from "drizzle-orm";
import type { UseCase } from "../perform";
import { eventsOf, recordStep } from "../record";
import { Refusal } from "../refusal";

/** Ground, washed and dried: on to the next firing of its route, or ready. */
export const finishColdWork: UseCase<"finishColdWork"> = {
	role: "assistant",
	async run(context, { pieceId, eventId, seq, note }) {
		const { journey } = await recordStep(context, { pieceId, eventId, seq, data: { type: "coldWorked", note } });
		return { state: journey.state };
	},
};

export const shelve: UseCase<"shelve"> = {
	role: "assistant",
	async run(context, { pieceId, eventId, seq, spot }) {
		const [known] = await context.tx.select().from(pickupSpot).where(eq(pickupSpot.label, spot));
		if (!known) throw new Refusal("invalid", [{ path: ["spot"], sentence: `There is no pickup spot ${spot}.` }]);
		await recordStep(context, { pieceId, eventId, seq, data: { type: "shelved", spot } });
		return { spot };
	},
};

const OWNER = "the owner";

/** Handed over. The event says only whether it was the owner; another person's name stays on the piece, where it can be erased. */
export const collect: UseCase<"collect"> = {
	role: "assistant",
	async run(context, { pieceId, eventId, seq, by }) {
		const owner = by === OWNER;
		const { journey, repeated } = await recordStep(context, {
			pieceId,
			eventId,
			seq,
			data: { type: "collected", by: owner ? "owner" : "other" },
		});
		if (!repeated)
			await context.tx
				.update(piece)
				.set({ collectedBy: owner ? null : by })
				.where(eq(piece.id, pieceId));
		return { state: journey.state };
	},
};

/** Takes back the last step of one piece. The record keeps both. */
export const undo: UseCase<"undo"> = {
	role: "assistant",
	async run(context, { pieceId, eventId, seq }) {
		const { tx } = context;
		await tx.select({ id: piece.id }).from(piece).where(eq(piece.id, pieceId)).for("update");
		const target = lastUndoable((await eventsOf(tx, pieceId)).filter((event) => event.seq <= seq));
		if (!target) throw new Refusal("conflict", "There is nothing here that can be undone.");
		const { journey, repeated } = await recordStep(context, {
			pieceId,
			eventId,
			seq,
			data: { type: "undone", undoes: target.seq },
		});
		if (!repeated && target.type === "judged") {
			await tx
				.update(firingPlace)
				.set({ judgedLevel: null, faults: null, next: null })
				.where(and(eq(firingPlace.pieceId, pieceId), eq(firingPlace.firingId, target.firingId)));
		}
		return { state: journey.state };
	},
};

export const note: UseCase<"note"> = {
	role: "assistant",
	async run(context, { pieceId, eventId, note: text }) {
		const { journey } = await recordStep(context, { pieceId, eventId, data: { type: "noted", note: text } });
		return { seq: journey.seq };
	},
};
