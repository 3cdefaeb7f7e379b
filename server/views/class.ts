import { cutListOf } from "@core/cutting/count";
import { cutsOf } from "@core/kit/kit";
import { loadGlass } from "@db/queries/glass";
import { briefs } from "@db/queries/pieces";
import { chooseSession, sessionBriefs } from "@db/queries/sessions";
import { cutRun, cutTick, enrolment, kitDesign, kitVersion, piece, student } from "@db/schema";
import { dayOf } from "@formats/time";
import { asc, eq, inArray } from "drizzle-orm";
import { type View, type ViewContext, when } from "./context";
import { kitBriefs } from "./kits";

async function sessionOf({ db, studio, now }: ViewContext, params: URLSearchParams) {
	const today = dayOf(now, studio.timeZone);
	const sessions = await sessionBriefs(db, today);
	return { sessions, session: chooseSession(sessions, params.get("session"), today) };
}

export const cut: View<"cut"> = async (context, params) => {
	const { db } = context;
	const { sessions, session } = await sessionOf(context, params);
	const books = await loadGlass(db);
	const designs = await db.select().from(kitDesign);
	const kits = designs.map(({ id, document }) => ({ id, name: document.name }));
	if (!session) return { ...books, sessions, session, runs: [], kits };
	const rows = await db
		.select({ run: cutRun, kit: kitVersion })
		.from(cutRun)
		.innerJoin(kitVersion, eq(kitVersion.id, cutRun.kitVersionId))
		.where(eq(cutRun.sessionId, session.id))
		.orderBy(asc(kitVersion.frozenAt));
	const ticks =
		rows.length > 0
			? await db
					.select()
					.from(cutTick)
					.where(
						inArray(
							cutTick.cutRunId,
							rows.map(({ run }) => run.id),
						),
					)
			: [];
	const runs = rows.map(({ run, kit }) => ({
		id: run.id,
		kits: run.kits,
		kit: kit.document,
		kitId: kit.kitId,
		lines: cutListOf(cutsOf(kit.document), run.kits).map((line) => ({
			...line,
			done: ticks.find((tick) => tick.cutRunId === run.id && tick.lineKey === line.key)?.done ?? 0,
		})),
	}));
	return { ...books, sessions, session, runs, kits };
};

export const bench: View<"bench"> = async (context, params) => {
	const { db } = context;
	const { sessions, session } = await sessionOf(context, params);
	const books = await loadGlass(db);
	const kits = await kitBriefs(db);
	if (!session) return { ...books, sessions, session, seats: [], kits };
	const rows = await db
		.select({ enrolment, name: student.name })
		.from(enrolment)
		.innerJoin(student, eq(student.id, enrolment.studentId))
		.where(eq(enrolment.sessionId, session.id))
		.orderBy(asc(enrolment.seat));
	const owners = await db
		.select({ id: piece.id, studentId: piece.studentId })
		.from(piece)
		.where(eq(piece.sessionId, session.id));
	const pieces = await briefs(db, eq(piece.sessionId, session.id), when(context));
	const seats = rows.map((row) => ({
		studentId: row.enrolment.studentId,
		name: row.name,
		seat: row.enrolment.seat,
		safetySigned: row.enrolment.safetySignedAt !== null,
		pieces: pieces.filter((one) =>
			owners.some(({ id, studentId }) => id === one.id && studentId === row.enrolment.studentId),
		),
	}));
	return { ...books, sessions, session, seats, kits };
};
