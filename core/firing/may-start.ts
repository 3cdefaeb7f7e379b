import { ceilingC, isReachable, type KilnBody } from "../kiln/kiln";
import { type Mould, type Release, sticks } from "../kit/mould";
import { type Phrase, say } from "../units/phrase";
import { peakOf, type Schedule } from "./schedule";

/** A firing as it is about to start, and what it is to lie in, as both are written down now. Temperatures °C. */
export interface Start {
	schedule: Schedule;
	kiln: { maxC: number; maxSegments: number; body: KilnBody; shelves: readonly { name: string; release: Release }[] };
	/** Moulds under its pieces. */
	moulds: readonly Pick<Mould, "name" | "kind" | "maxC" | "release">[];
}

/** Why a firing may not start: what it was planned by may have changed since. One sentence each; none where it may. */
export function whyNotStart({ schedule, kiln, moulds }: Start): Phrase[] {
	const peakC = peakOf(schedule);
	const why: Phrase[] = [];
	if (peakC > kiln.maxC) why.push(say`Its schedule goes to ${{ c: peakC }}; this kiln to ${{ c: kiln.maxC }}.`);
	if (schedule.segments.length > kiln.maxSegments)
		why.push(
			say`Its schedule has ${{ n: schedule.segments.length }} segments; this kiln’s controller takes ${{ n: kiln.maxSegments }}.`,
		);
	if (schedule.segments.some(({ rateCPerH, targetC }) => rateCPerH !== "full" && !isReachable(kiln.body, targetC)))
		why.push(
			say`With all its power this kiln gets to ${{ c: ceilingC(kiln.body) }}: ${{ c: peakC }} is never reached.`,
		);
	for (const mould of moulds) {
		const { name, maxC } = mould;
		if (peakC > maxC) why.push(say`Its schedule goes to ${{ c: peakC }}; the mould “${name}” bears ${{ c: maxC }}.`);
		if (sticks(mould)) why.push(say`The mould “${name}” is bare: glass sticks to it for good.`);
	}
	if (kiln.shelves.length > 0 && kiln.shelves.every(({ release }) => release === "bare"))
		why.push(say`Every shelf of this kiln is bare: glass sticks to it for good.`);
	return why;
}
