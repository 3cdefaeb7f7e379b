import { codeOf } from "@core/journey/code";
import type { PieceEvent } from "@core/journey/events";
import { journeyOf } from "@core/journey/journey";
import { pieceRoute } from "@core/kit/kit";
import { countIssued } from "@db/queries/kits";
import { codesOf } from "@db/queries/pieces";
import { nextPieceNumbers } from "@db/queries/studio";
import { enrolment, piece, pieceEvent } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { freezeKit } from "../kits/models/freeze-kit";
import { stateColumns } from "../pieces/models/record";

/** Issues one kit to each chosen student: a piece with its code, from the kit's frozen version. A repeated request counts once. */
export const issueKits: UseCase<"issueKits"> = async (
	{ tx, actor, now },
	{ sessionId, kitId, promisedDay, issues },
) => {
	const version = await freezeKit(tx, kitId, now);
	const known = new Map(
		await codesOf(
			tx,
			issues.map(({ pieceId }) => pieceId),
		),
	);
	const fresh = issues.filter(({ pieceId }) => !known.has(pieceId));
	const seats = await tx.select().from(enrolment).where(eq(enrolment.sessionId, sessionId));
	const seated = new Set(seats.map(({ studentId }) => studentId));
	if (fresh.some(({ studentId }) => !seated.has(studentId)))
		throw new Refusal("missing", "A chosen student is not in this class.");
	if (fresh.length === 0) return { codes: [...known.values()] };
	const from = await nextPieceNumbers(tx, fresh.length);
	const event: PieceEvent = { type: "issued", route: pieceRoute(version.document), seq: 1, at: now.toISOString() };
	const { seq, at: _, ...data } = event;
	const columns = stateColumns(journeyOf([event]));
	const rows = fresh.map(({ pieceId, studentId }, i) => ({
		id: pieceId,
		code: codeOf(from + i),
		kind: "student" as const,
		studentId,
		sessionId,
		kitVersionId: version.id,
		familyId: version.reading.familyId as string,
		promisedDay,
		...columns,
	}));
	await tx.insert(piece).values(rows);
	await tx.insert(pieceEvent).values(
		fresh.map(({ pieceId, eventId }) => ({
			id: eventId,
			pieceId,
			seq,
			data,
			happenedAt: now,
			recordedAt: now,
			actorId: actor.id,
			actorName: actor.name,
		})),
	);
	await countIssued(tx, version.id, fresh.length, now);
	return { codes: [...known.values(), ...rows.map(({ code }) => code)] };
};
