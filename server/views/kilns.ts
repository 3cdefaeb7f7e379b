import type { KilnCard, KilnCell, KilnState } from "@contract/views";
import { OPEN_C } from "@core/firing/build";
import { curveOf } from "@core/firing/schedule";
import { latestReading } from "@db/queries/readings";
import { firing, firingPlace, kiln } from "@db/schema";
import { clockNear } from "@formats/time";
import { and, asc, eq, inArray, sql } from "drizzle-orm";
import { isStandIn } from "../devices/stand-in-panel";
import { mayOpen, openInstant } from "../may-open";
import type { KilnRow } from "../plan-load";
import type { ViewContext } from "./context";

type FiringRow = typeof firing.$inferSelect;

const ACTIVE = ["planned", "running"] as const;

export async function kilnCells({ db, now }: ViewContext): Promise<KilnCell[]> {
	const kilns = await db.select().from(kiln).orderBy(asc(kiln.sort));
	const firings = await db
		.select()
		.from(firing)
		.where(inArray(firing.state, [...ACTIVE]));
	const counts = await db
		.select({ id: firingPlace.firingId, pieces: sql<number>`count(*)::int` })
		.from(firingPlace)
		.innerJoin(firing, eq(firing.id, firingPlace.firingId))
		.where(inArray(firing.state, [...ACTIVE]))
		.groupBy(firingPlace.firingId);
	return Promise.all(
		kilns.map(async (row) => {
			const reading = await latestReading(db, row.id);
			const its = firings.filter(({ kilnId }) => kilnId === row.id);
			const current = its.find(({ state }) => state === "running") ?? its[0];
			const airC = reading ? reading.airC : row.body.roomC;
			const readAgoS = reading ? (now.getTime() - reading.at.getTime()) / 1000 : null;
			const cell = { id: row.id, name: row.name, kind: row.kind, airC, readAgoS, uses: row.uses };
			if (!current) return { ...cell, state: "empty" as const, phase: "empty", firing: null };
			const plan = curveOf(current.schedule, row.body);
			const elapsedS = current.startedAt ? ((now.getTime() - current.startedAt.getTime()) / 1000) * current.speedUp : 0;
			const state = kilnState(current, row, reading, now, plan.at(-1)?.s ?? 0, elapsedS);
			return {
				...cell,
				state,
				phase: measuredPhase(reading, current) ?? phaseOf(current, row, state, elapsedS),
				firing: {
					id: current.id,
					number: current.number,
					level: current.level,
					pieces: counts.find(({ id }) => id === current.id)?.pieces ?? 0,
					speedUp: current.speedUp,
					startedAt: current.startedAt?.toISOString() ?? null,
					elapsedS,
					openAt: openInstant(current)?.toISOString() ?? null,
					plan,
					totalS: current.predictedOpenS ?? current.openS,
				},
			};
		}),
	);
}

function kilnState(
	row: FiringRow,
	{ line }: KilnRow,
	reading: Parameters<typeof mayOpen>[1],
	now: Date,
	endS: number,
	elapsedS: number,
): KilnState {
	if (row.state === "planned") return "planned";
	if (mayOpen(row, reading, now, line !== null).may) return "canOpen";
	return elapsedS < endS ? "running" : "cooling";
}

/** What the controller itself says, where that is more than a number. */
function measuredPhase(reading: Awaited<ReturnType<typeof latestReading>>, current: FiringRow): string | undefined {
	if (reading?.firingId !== current.id) return undefined;
	if (reading.status === "powerLost") return "waits, power was lost";
	if (reading.status === "sensorOpen") return "sensor open";
	return reading.status === "held" ? "held by hand" : undefined;
}

/** Which part of its schedule a firing is in by the clock, in a word or two. */
function phaseOf(row: FiringRow, { body }: KilnRow, state: KilnState, elapsedS: number): string {
	if (state === "planned") return "loaded, not started";
	if (state === "canOpen") return `below ${OPEN_C} °C`;
	const words = {
		up: "heating",
		peak: "to the peak",
		drop: "anneal",
		down1: "cooling slowly",
		down2: "cooling",
		down3: "cooling",
	};
	for (let i = 1; i <= row.schedule.segments.length; i++) {
		const segments = row.schedule.segments.slice(0, i);
		const last = segments[i - 1];
		const curve = curveOf({ segments }, body);
		if (elapsedS >= (curve.at(-1)?.s ?? 0) || !last) continue;
		const holding = last.holdMin > 0 && elapsedS > (curve.at(-2)?.s ?? 0);
		if (last.name === "up" && holding) return "letting air out";
		if (last.name === "peak" && holding) return "holding the peak";
		if (last.name === "drop" && !holding) return "falling to anneal";
		return words[last.name];
	}
	return "cooling by itself";
}

export function kilnCard(row: KilnRow, busy: FiringRow | undefined, context: ViewContext): KilnCard {
	const openAt = busy && openInstant(busy);
	return {
		id: row.id,
		name: row.name,
		body: row.body,
		shelfWidthMm: row.shelfWidthMm,
		shelfHeightMm: row.shelfHeightMm,
		marginMm: row.marginMm,
		clearHeightMm: row.clearHeightMm,
		maxC: row.maxC,
		maxSegments: row.maxSegments,
		shelfShape: row.shelfShape,
		zones: row.zones,
		line: row.line === null ? null : isStandIn(row.line) ? "standIn" : row.line.driver,
		permissions: row.permissions,
		doorSide: row.doorSide,
		mayPlan: busy?.state !== "planned",
		busyUntil: openAt?.toISOString() ?? null,
		busyWith: busy
			? busy.state === "planned"
				? `firing ${busy.number} is planned`
				: `firing ${busy.number} runs, open not before ${openAt ? clockNear(openAt, context.now, context.studio.timeZone) : "unknown"}`
			: null,
	};
}

/** Electric kilns with what keeps them busy. A running kiln may have its next load planned; a planned one may not. */
export async function kilnCards(context: ViewContext): Promise<KilnCard[]> {
	const rows = await context.db.select().from(kiln).where(eq(kiln.kind, "electric")).orderBy(asc(kiln.sort));
	const firings = await context.db
		.select()
		.from(firing)
		.where(and(inArray(firing.state, [...ACTIVE])));
	return rows.map((row) => {
		const its = firings.filter(({ kilnId }) => kilnId === row.id);
		return kilnCard(row, its.find(({ state }) => state === "planned") ?? its[0], context);
	});
}
