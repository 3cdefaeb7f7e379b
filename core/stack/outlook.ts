import { buildSchedule } from "../firing/build";
import { demandOf, type PieceToFire } from "../firing/demand";
import type { FuseLevel } from "../firing/level";
import { peakOf, scheduleHours } from "../firing/schedule";
import { type Pace, USUAL_PACE } from "../firing/schools";
import { boundsOf } from "../geometry/region";
import { FAMILY_90 } from "../glass/family";
import { touchesDarkAndWhite, trappedSpanMm } from "./contacts";
import { effectiveThicknessMm } from "./effective-thickness";
import type { Stack } from "./stack";

/** What one firing of a route will ask of a kiln; an estimate where no kiln is known. °C, min, °C/h, h */
export interface FiringOutlook {
	firing: number;
	level: FuseLevel;
	peakC: number;
	holdMin: number;
	airMin: number;
	effectiveMm: number;
	soakMin: number;
	coolCPerH: number;
	hours: number;
}

/** What a schedule has to know of a laid-up kit. */
export function pieceToFire(stack: Stack, fired: boolean): PieceToFire {
	const { widthMm, heightMm } = boundsOf(stack.glass.flatMap(({ region }) => region));
	return {
		id: stack.design.name,
		level: stack.level,
		thickestMm: stack.thickestMm + stack.insertMm,
		effectiveMm: effectiveThicknessMm(stack.thickestMm + stack.insertMm, stack.thinnestMm, stack.level, stack.hadLevel),
		acrossMm: Math.max(widthMm, heightMm),
		fired,
		blackBesideWhite: touchesDarkAndWhite(stack.contacts),
		multiLevel: stack.thickestMm > stack.thinnestMm,
		trappedSpanMm: fired ? 0 : trappedSpanMm(stack.contacts),
	};
}

/** The firing a laid-up kit is for, in figures. The family with most glass is the one it is solved for. */
export function outlookOf(stack: Stack, pace: Pace = USUAL_PACE, familyId = mainFamily(stack)): FiringOutlook {
	const family = stack.book.families.get(familyId ?? "") ?? FAMILY_90;
	const piece = pieceToFire(stack, stack.firing > 0 && stack.glass.some(({ fused }) => fused));
	const demand = demandOf(piece, pace);
	const schedule = buildSchedule(demand, { family });
	const peak = schedule.segments.find(({ name }) => name === "peak");
	return {
		firing: stack.firing,
		level: stack.level,
		peakC: peakOf(schedule),
		holdMin: peak?.holdMin ?? 0,
		airMin: demand.airMin,
		effectiveMm: piece.effectiveMm,
		soakMin: demand.soakMin,
		coolCPerH: demand.coolCPerH,
		hours: scheduleHours(schedule, undefined),
	};
}

export function mainFamily({ glass }: Stack): string | undefined {
	const area = new Map<string, number>();
	for (const lain of glass) {
		const id = lain.glass?.familyId;
		if (id) area.set(id, (area.get(id) ?? 0) + lain.areaMm2 * lain.glassMm);
	}
	return [...area].sort(([, a], [, b]) => b - a)[0]?.[0];
}
