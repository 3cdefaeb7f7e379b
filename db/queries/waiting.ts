import type { Ring } from "@core/geometry/region";
import type { WaitingPiece } from "@core/loading/load";
import type { PlanStep } from "@core/loading/plan/piece-jobs";
import { bodiesAhead, bodyOfJourney } from "@core/piece/of-journey";
import { shapeOfReading } from "@core/piece/old-reading";
import { outlineKey } from "@core/piece/outline-key";
import type { KitReading } from "@core/stack/read-kit";
import { and, asc, eq, inArray, isNotNull, notExists, type SQL, sql } from "drizzle-orm";
import type { Reader } from "../connect";
import { componentLot, firing, firingPlace, kitVersion, mould, piece, student } from "../schema";

/** Of a kit's reading what a piece's body comes from. */
const shapeSql = sql<Omit<KitReading, "findings"> | null>`${kitVersion.reading} - 'findings'`;

/** Rows of pieces with what the loading core looks up in their kit and moulds; those nothing is known of are left out. */
async function waitingRows(reader: Reader, where: SQL, most: number) {
	const rows = await reader
		.select({ piece, student: student.name, reading: shapeSql })
		.from(piece)
		.leftJoin(kitVersion, eq(kitVersion.id, piece.kitVersionId))
		.leftJoin(student, eq(student.id, piece.studentId))
		.where(where)
		.orderBy(asc(piece.promisedDay), asc(piece.code))
		.limit(most);
	const mouldIds = [...new Set(rows.flatMap((row) => row.piece.journey.route.flatMap(({ mouldId }) => mouldId ?? [])))];
	const moulds = mouldIds.length > 0 ? await reader.select().from(mould).where(inArray(mould.id, mouldIds)) : [];
	return rows.flatMap((row) => {
		const { journey } = row.piece;
		const bodies = bodiesAhead(shapeOfReading(row.reading, journey.route), journey);
		const body = bodies[0] ?? bodyOfJourney(shapeOfReading(row.reading, journey.route), journey);
		if (!journey.asMade || !body) return [];
		const mouldOf = (mouldId: string | undefined) => moulds.find(({ id }) => id === mouldId);
		const waiting: WaitingPiece = {
			...{ id: row.piece.id, code: row.piece.code, familyId: row.piece.familyId, promised: row.piece.promisedDay },
			...{ level: journey.level, effectiveMm: body.effectiveMm, body },
			mould: mouldOf(journey.route[journey.step]?.mouldId),
		};
		const left = journey.route.slice(journey.step).map(
			(one, i): PlanStep => ({
				body: bodies[i] ?? body,
				handWork: one.handWork,
				mould: mouldOf(one.mouldId),
			}),
		);
		return [
			{ row: row.piece, student: row.student, waiting, left: left.length > 0 ? left : [{ ...waiting, handWork: "" }] },
		];
	});
}

/** Pieces as the loading core needs them; those never measured are left out. */
export async function loadWaiting(reader: Reader, ids: readonly string[]): Promise<WaitingPiece[]> {
	if (ids.length === 0) return [];
	const rows = await waitingRows(reader, inArray(piece.id, [...ids]), ids.length);
	return rows.map(({ waiting }) => waiting);
}

/** All that waits for a kiln, who is promised first first, with what is left of its route; outlines once a kit. */
export async function waitingToPlan(reader: Reader, most: number) {
	const [all] = await reader.select({ n: sql<number>`count(*)::int` }).from(piece).where(eq(piece.state, "queued"));
	const rows = await waitingRows(reader, eq(piece.state, "queued"), most);
	return { waiting: all?.n ?? 0, ...planRows(rows) };
}

/** The same of pieces in firings that were announced and may move: without lots, and nobody has begun to lay them in. */
export async function announcedToPlan(reader: Reader, most: number) {
	const begun = reader
		.select({ one: sql`1` })
		.from(firingPlace)
		.where(and(eq(firingPlace.firingId, firing.id), isNotNull(firingPlace.loadedAt)));
	const filled = reader.select({ one: sql`1` }).from(componentLot).where(eq(componentLot.firingId, firing.id));
	const places = await reader
		.select({ firingId: firingPlace.firingId, pieceId: firingPlace.pieceId })
		.from(firing)
		.innerJoin(firingPlace, eq(firingPlace.firingId, firing.id))
		.where(and(eq(firing.state, "planned"), notExists(begun), notExists(filled)));
	if (places.length === 0) return { rows: [], outlines: {} };
	const rows = await waitingRows(
		reader,
		inArray(
			piece.id,
			places.map(({ pieceId }) => pieceId),
		),
		most,
	);
	const firingOf = new Map(places.map(({ pieceId, firingId }) => [pieceId, firingId]));
	const { rows: all, outlines } = planRows(rows);
	return { rows: all.map((one) => ({ ...one, firingId: firingOf.get(one.id) as string })), outlines };
}

/** Rows as a plan needs them; outlines once a kit and firing. */
function planRows(rows: Awaited<ReturnType<typeof waitingRows>>) {
	const outlines: Record<string, Ring> = {};
	const all = rows.map(({ row, student: name, waiting: { body: _, mould: __, ...waiting }, left }) => {
		const route = left.map(({ body: { outline, ...body }, ...step }, i): PlanStep => {
			if (!outline) return { ...step, body };
			const key = outlineKey({ kitVersionId: row.kitVersionId, step: row.journey.step + i });
			outlines[key] = outline;
			return { ...step, body, outlineKey: key };
		});
		return {
			...waiting,
			...{ kitVersionId: row.kitVersionId, route, group: row.sessionId ?? "", student: name, seq: row.seq },
			readyFrom: row.readyFrom,
		};
	});
	return { rows: all, outlines };
}

/** Outlines of the kits of some pieces, and the moulds they are fired on next. */
export async function roomOf(
	reader: Reader,
	pieces: readonly {
		id: string;
		kitVersionId: string | null;
		route: readonly { mouldId?: string | undefined }[];
		step: number;
	}[],
) {
	const versions = [...new Set(pieces.flatMap(({ kitVersionId }) => kitVersionId ?? []))];
	const rows =
		versions.length > 0
			? await reader
					.select({
						id: kitVersion.id,
						outline: sql<Ring | null>`${kitVersion.reading}->'outline'`,
						outlines: sql<Ring[] | null>`${kitVersion.reading}->'outlines'`,
					})
					.from(kitVersion)
					.where(inArray(kitVersion.id, versions))
			: [];
	const outlineAt = (kitVersionId: string | null, step: number) => {
		const row = rows.find(({ id }) => id === kitVersionId);
		const ring = row?.outlines?.[Math.min(step, row.outlines.length - 1)] ?? row?.outline;
		return ring && ring.length > 2 ? ring : undefined;
	};
	const mouldIds = new Map(
		pieces.flatMap(({ id, route, step }) => (route[step]?.mouldId ? [[id, route[step].mouldId]] : [])),
	);
	const moulds =
		mouldIds.size > 0
			? await reader
					.select()
					.from(mould)
					.where(inArray(mould.id, [...mouldIds.values()] as string[]))
			: [];
	return {
		outlines: Object.fromEntries(
			pieces.flatMap(({ kitVersionId, step }) => {
				const ring = outlineAt(kitVersionId, step);
				return ring ? [[outlineKey({ kitVersionId, step }), ring]] : [];
			}),
		),
		moulds: Object.fromEntries(
			[...mouldIds].flatMap(([id, mouldId]) => {
				const its = moulds.find((one) => one.id === mouldId);
				if (!its) return [];
				return [[id, its]];
			}),
		),
	};
}
