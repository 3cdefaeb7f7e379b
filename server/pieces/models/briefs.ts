import type { PieceBrief } from "@contract/pieces";
import { bodyOfJourney } from "@core/piece/of-journey";
import { shapeOfReading } from "@core/piece/old-reading";
import { type PromiseState, promiseState } from "@core/promise/promise";
import { stackCode } from "@core/stack/read-kit";
import { type BriefRow, briefRows, firedGlasses, type ListedReading } from "@db/queries/brief-rows";
import { endOfDayMs } from "@formats/wall-clock";
import type { SQL } from "drizzle-orm";
import type { ViewContext } from "../../house/view";

type Glasses = Awaited<ReturnType<typeof firedGlasses>>;

/** Pieces as every list shows them, oldest wait first; at most `most`, where a list may grow long. */
export async function briefs(context: ViewContext, where: SQL | undefined, most?: number): Promise<PieceBrief[]> {
	const [rows, glasses] = await Promise.all([briefRows(context.db, where, most), firedGlasses(context.db)]);
	return rows.map((row) => briefOf(row, glasses, context));
}

function briefOf(row: BriefRow, glasses: Glasses, context: ViewContext): PieceBrief {
	const { piece, kit } = row;
	const { journey } = piece;
	const stack = stackOf(kit?.reading, glasses);
	const shape = { ...shapeOfReading(kit?.reading, journey.route), outlines: [] };
	const body = bodyOfJourney(shape, journey) ?? null;
	return {
		id: piece.id,
		kitVersionId: piece.kitVersionId,
		code: piece.code,
		student: row.student,
		kit: kit?.name ?? null,
		familyId: piece.familyId,
		state: piece.state,
		level: journey.level,
		hadLevel: journey.hadLevel ?? null,
		seq: piece.seq,
		step: journey.step,
		route: journey.route,
		stack,
		stackCode: stackCode(
			piece.familyId,
			stack.map(({ mm }) => mm),
			journey.level,
		),
		effectiveMm: body?.effectiveMm ?? 0,
		body,
		planned: shape.bodies[journey.step] ?? null,
		asMade: journey.asMade ?? null,
		good: journey.good ?? null,
		readyFrom: piece.readyFrom?.toISOString() ?? null,
		spot: piece.spot,
		since: piece.since.toISOString(),
		promisedDay: piece.promisedDay,
		promise: promiseOf(row, context),
		firingId: piece.firingId,
	};
}

/** The thickest column of its kit's plan, from the shelf up. */
const stackOf = (reading: ListedReading | null | undefined, glasses: Glasses): PieceBrief["stack"] =>
	(reading?.columnGlassIds ?? []).map((id, i) => ({
		colour: glasses.get(id)?.firedColour ?? "#cccccc",
		mm: reading?.columnMm?.[i] ?? glasses.get(id)?.thicknessMm ?? 3,
	}));

/** How its promise stands; null for a piece that was promised for no day. */
function promiseOf({ piece, ...its }: BriefRow, { studio, now }: ViewContext): PromiseState | null {
	if (!piece.promisedDay) return null;
	const onItsWay = {
		state: piece.state,
		firingsLeft: Math.max(0, piece.journey.route.length - piece.journey.step),
		readyFromMs: piece.readyFrom?.getTime(),
		firingOpensMs: its.startedAt ? its.startedAt.getTime() + ((its.openS ?? 0) / (its.speedUp ?? 1)) * 1000 : undefined,
	};
	return promiseState(
		onItsWay,
		endOfDayMs(piece.promisedDay, studio.timeZone),
		now.getTime(),
		studio.customs.usualHours,
	);
}
