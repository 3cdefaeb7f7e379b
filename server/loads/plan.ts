import type { PlanViewPiece } from "@contract/loads";
import type { Ring } from "@core/geometry/region";
import { mouldTrouble } from "@core/loading/mould-problem";
import type { PlanStep } from "@core/loading/plan/piece-jobs";
import { loadGlass } from "@db/queries/glass";
import { loadKilns } from "@db/queries/kilns";
import { announcedToPlan, waitingToPlan } from "@db/queries/waiting";
import { endOfDayMs } from "@formats/wall-clock";
import type { View } from "../house/view";
import { closedSpan } from "../kilns/models/out-of-service";
import { calendarFirings } from "./models/calendar";
import { houseSpans } from "./models/house-spans";
import { loadKilnOf, schoolsFor } from "./models/plan-load";

/** A plan reaches so far; who opens is looked for a week beyond. */
const DAYS = 14;
const MOST_PIECES = 400;
const QUARTER_MS = 15 * 60_000;
const DAY_MS = 86_400_000;

/** Nothing is fired on a mould that is bare, put away or too small. */
const isStuck = (step: PlanStep | undefined, outlines: Record<string, Ring>): boolean =>
	step?.mould !== undefined &&
	mouldTrouble(step.mould, { ...step.body, outline: outlines[step.outlineKey ?? ""] }) !== undefined;

/** What a plan over kilns and days is made from: pieces that wait, kilns and what is announced, when somebody is there. */
export const plan: View<"plan"> = async ({ db, studio, now }) => {
	const fromMs = Math.ceil(now.getTime() / QUARTER_MS) * QUARTER_MS;
	const { there, mayStart } = houseSpans(studio, now, DAYS + 7);
	const [{ rows, outlines, waiting }, announced, { families }, kilns, booked] = await Promise.all([
		waitingToPlan(db, MOST_PIECES),
		announcedToPlan(db, MOST_PIECES),
		loadGlass(db),
		loadKilns(db),
		calendarFirings(db, now, there, studio.timeZone),
	]);
	const tested = new Set(families.filter((family) => family.tested).map(({ id }) => id));
	const pieceOf = <R extends (typeof rows)[0]>({ readyFrom, ...piece }: R) => ({
		...piece,
		readyMs: readyFrom?.getTime() ?? fromMs,
		promisedMs: piece.promised === null ? null : endOfDayMs(piece.promised, studio.timeZone),
	});
	const pieces = rows
		.filter(({ familyId, route }) => tested.has(familyId) && !isStuck(route[0], outlines))
		.map((row): PlanViewPiece => pieceOf(row));
	const { judge, coldWork, wrap } = studio.customs.usualHours;
	const electric = kilns.filter(({ kind, retired }) => kind === "electric" && !retired);
	return {
		fromMs,
		untilMs: fromMs + DAYS * DAY_MS,
		...{
			pieces,
			movable: announced.rows.map(pieceOf),
			outlines: { ...announced.outlines, ...outlines },
			waiting,
			blocked: waiting - pieces.length,
			booked,
			there,
			mayStart,
		},
		families: families.filter(({ id }) => tested.has(id)),
		kilns: electric.map((row) => ({ id: row.id, name: row.name, ...loadKilnOf(row) })),
		closed: electric.flatMap((row) => closedSpan(row, now, studio.timeZone) ?? []),
		wishes: studio.customs.planWishes,
		schools: schoolsFor(studio),
		aloneHours: studio.customs.aloneHours,
		between: { judge, coldWork, wrap },
	};
};
