import type { KilnCell, KilnState } from "@contract/kilns";
import { OPEN_C } from "@core/firing/build";
import { mayOpen } from "@core/firing/may-open";
import { curveOf } from "@core/firing/schedule";
import type { KilnHeat } from "@core/kiln/heat";
import type { KilnBody } from "@core/kiln/kiln";
import { type Phrase, say } from "@core/units/phrase";
import { activeFirings, type FiringRow } from "@db/queries/firings";
import { type KilnRow, loadKilns } from "@db/queries/kilns";
import { type latestLive, latestLives } from "@db/queries/readings";
import { openInstant } from "../../firings/models/open-instant";
import type { ViewContext } from "../../house/view";
import { kilnHeats } from "./heat";
import { closedSpan } from "./out-of-service";

export async function kilnCells({ db, now, studio }: ViewContext): Promise<KilnCell[]> {
	const [kilns, firings] = await Promise.all([loadKilns(db), activeFirings(db)]);
	const ids = kilns.map(({ id }) => id);
	const [newest, heats] = await Promise.all([latestLives(db, ids, now), kilnHeats(db, kilns, firings, now)]);
	return kilns.map((row) => {
		const reading = newest.get(row.id);
		const heat = heats.get(row.id) as KilnHeat;
		const its = firings.filter(({ kilnId }) => kilnId === row.id);
		const current = its.find(({ state }) => state === "running") ?? its[0];
		const isClosed = (closedSpan(row, now, studio.timeZone)?.from ?? Number.POSITIVE_INFINITY) <= now.getTime();
		const readAgoS = "at" in heat ? (now.getTime() - Date.parse(heat.at)) / 1000 : null;
		const cell = { id: row.id, name: row.name, kind: row.kind, heat, readAgoS, uses: row.uses, isClosed };
		if (!current) return { ...cell, state: "empty" as const, phase: ["empty"], firing: null };
		const plan = curveOf(current.schedule, row.body);
		const elapsedS = current.startedAt ? ((now.getTime() - current.startedAt.getTime()) / 1000) * current.speedUp : 0;
		const state = kilnState(current, heat, now, plan.at(-1)?.s ?? 0, elapsedS);
		return {
			...cell,
			state,
			phase: [measuredPhase(reading, current) ?? phaseOf(current, row, state, elapsedS, heat)].flat(),
			firing: {
				id: current.id,
				number: current.number,
				level: current.level,
				pieces: current.pieces,
				speedUp: current.speedUp,
				startsAt: current.startsAt?.toISOString() ?? null,
				startedAt: current.startedAt?.toISOString() ?? null,
				elapsedS,
				openAt: openInstant(current)?.toISOString() ?? null,
				plan,
				totalS: current.predictedOpenS ?? current.openS,
			},
		};
	});
}

function kilnState(row: FiringRow, heat: KilnHeat, now: Date, endS: number, elapsedS: number): KilnState {
	if (row.state === "planned") return "planned";
	const openAt = openInstant(row);
	const { may, asksDisplay } = mayOpen(openAt?.getTime() ?? null, heat, now.getTime());
	if (may) return "canOpen";
	if (asksDisplay) return "toRead";
	return elapsedS < endS ? "running" : "cooling";
}

/** What the controller itself says, where that is more than a number. */
function measuredPhase(reading: Awaited<ReturnType<typeof latestLive>>, current: FiringRow): string | undefined {
	if (reading?.firingId !== current.id) return undefined;
	if (reading.status === "powerLost") return "waits, power was lost";
	if (reading.status === "sensorOpen") return "sensor open";
	return reading.status === "held" ? "held by hand" : undefined;
}

/** Which part of its schedule a firing is in by the clock, in a word or two. */
function phaseOf(
	row: FiringRow,
	{ body }: KilnRow,
	state: KilnState,
	elapsedS: number,
	heat: KilnHeat,
): string | Phrase {
	const phase = phaseByClock(row, body, state, elapsedS);
	return heat.how === "computed" && typeof phase === "string" && state !== "planned" ? `${phase}, by the plan` : phase;
}

function phaseByClock(row: FiringRow, body: KilnBody, state: KilnState, elapsedS: number): string | Phrase {
	if (state === "planned") return "planned, not started";
	if (state === "toRead") return "read its display";
	if (state === "canOpen") return say`below ${{ c: OPEN_C }}`;
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
