import { codeOf } from "@core/journey/code";
import { DRY_MIN, type Glue, type PieceEvent } from "@core/journey/events";
import { journeyOf } from "@core/journey/journey";
import { pieceRoute } from "@core/kit/kit";
import { enrolment, piece, pieceEvent, studio as studioTable } from "@db/schema";
import { and, eq, inArray, sql } from "drizzle-orm";
import { freezeKit } from "../freeze-kit";
import type { UseCase } from "../perform";
import { recordStep, stateColumns } from "../record";
import { Refusal } from "../refusal";

/** Marks students as having heard and signed the safety talk. */
export const signSafety: UseCase<"signSafety"> = {
	role: "assistant",
	async run({ tx, now }, { sessionId, studentIds }) {
		const signed = await tx
			.update(enrolment)
			.set({ safetySignedAt: now })
			.where(and(eq(enrolment.sessionId, sessionId), inArray(enrolment.studentId, studentIds)))
			.returning();
		if (signed.length !== studentIds.length) throw new Refusal("missing", "A chosen student is not in this class.");
		return { signed: signed.length };
	},
};

/** Issues one kit to each chosen student: a piece with its code, from the kit's frozen version. A repeated request counts once. */
export const issueKits: UseCase<"issueKits"> = {
	role: "assistant",
	async run({ tx, actor, now }, { sessionId, kitId, promisedDay, issues }) {
		const version = await freezeKit(tx, kitId, now);
		const ids = issues.map(({ pieceId }) => pieceId);
		const known = await tx.select({ id: piece.id, code: piece.code }).from(piece).where(inArray(piece.id, ids));
		const fresh = issues.filter(({ pieceId }) => !known.some(({ id }) => id === pieceId));
		const seats = await tx.select().from(enrolment).where(eq(enrolment.sessionId, sessionId));
		for (const { studentId } of fresh) {
			if (!seats.some((seat) => seat.studentId === studentId))
				throw new Refusal("missing", "A chosen student is not in this class.");
		}
		const [counter] = await tx
			.update(studioTable)
			.set({ nextPieceNumber: sql`${studioTable.nextPieceNumber} + ${fresh.length}` })
			.returning({ next: studioTable.nextPieceNumber });
		const from = (counter?.next ?? 0) - fresh.length;
		const codes: string[] = known.map(({ code }) => code);
		for (const [i, { pieceId, eventId, studentId }] of fresh.entries()) {
			const event: PieceEvent = { type: "issued", route: pieceRoute(version.document), seq: 1, at: now.toISOString() };
			const code = codeOf(from + i);
			await tx.insert(piece).values({
				id: pieceId,
				code,
				kind: "student",
				studentId,
				sessionId,
				kitVersionId: version.id,
				familyId: version.reading.familyId as string,
				promisedDay,
				...stateColumns(journeyOf([event])),
			});
			const { seq: _, at: __, ...data } = event;
			await tx
				.insert(pieceEvent)
				.values({ id: eventId, pieceId, seq: 1, data, happenedAt: now, recordedAt: now, actorId: actor.id });
			codes.push(code);
		}
		return { codes };
	},
};

const dryFrom = (now: Date, glue: Glue) => new Date(now.getTime() + DRY_MIN[glue] * 60_000).toISOString();

/** The student's piece as it really is: measured, glued, and with its fuse level decided again. */
export const handIn: UseCase<"handIn"> = {
	role: "assistant",
	async run(context, { pieceId, eventId, seq, asMade, glue, level }) {
		const readyFrom = dryFrom(context.now, glue);
		const { journey, code } = await recordStep(context, {
			pieceId,
			eventId,
			seq,
			data: { type: "handedIn", asMade, glue, readyFrom, level },
		});
		return { code, readyFrom: journey.readyFrom ?? readyFrom };
	},
};

/** Glued again after something came loose: dries anew. */
export const reglue: UseCase<"reglue"> = {
	role: "assistant",
	async run(context, { pieceId, eventId, seq, glue }) {
		const readyFrom = dryFrom(context.now, glue);
		const { journey } = await recordStep(context, {
			pieceId,
			eventId,
			seq,
			data: { type: "reglued", glue, readyFrom },
		});
		return { readyFrom: journey.readyFrom ?? readyFrom };
	},
};
