import { buildSchedule, repaced } from "../firing/build";
import { demandOf, type PieceToFire } from "../firing/demand";
import type { FuseLevel } from "../firing/level";
import { curveOf, peakOf, type Schedule, scheduleHours } from "../firing/schedule";
import { COOLING_SCHOOLS, type Pace, USUAL_PACE, WARM_UP_SCHOOLS } from "../firing/schools";
import { FAMILY_90, type GlassFamily } from "../glass/family";
import { asPiece, kitBody } from "../piece/kit-body";
import { toFire } from "../piece/to-fire";
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
	/** Until the programme is done; the kiln's own cooling may take longer. */
	hours: number;
	/** What of them each stretch takes. */
	parts: Record<OutlookPart, number>;
	/** The same at every pace a studio may have. */
	hoursAt: PacedHours[];
}

export const OUTLOOK_PARTS = ["heatingUp", "peak", "soak", "cooling"] as const;
export type OutlookPart = (typeof OUTLOOK_PARTS)[number];

export type PacedHours = Pace & { hours: number };

export const PACES: readonly Pace[] = WARM_UP_SCHOOLS.flatMap((warmUp) =>
	COOLING_SCHOOLS.map((cooling) => ({ warmUp, cooling })),
);

/** What a schedule has to know of a laid-up kit. */
export const pieceToFire = (stack: Stack): PieceToFire => toFire(stack.design.name, asPiece(kitBody(stack)));

/** What a laid-up kit is heated to for a level, °C, in the family with most of its glass. */
export function peakCOf(stack: Stack, level: FuseLevel): number {
	const family = stack.book.families.get(mainFamily(stack) ?? "") ?? FAMILY_90;
	return peakOf(buildSchedule(demandOf({ ...pieceToFire(stack), level }, USUAL_PACE), { family }));
}

/** The firing a laid-up kit is for, in figures. The family with most glass is the one it is solved for. */
export const outlookOf = (stack: Stack, pace: Pace = USUAL_PACE, familyId = mainFamily(stack)): FiringOutlook => ({
	firing: stack.firing,
	...outlookOfPiece(pieceToFire(stack), pace, stack.book.families.get(familyId ?? "") ?? FAMILY_90),
});

/** The same of a piece given by its figures. */
export function outlookOfPiece(piece: PieceToFire, pace: Pace, family: GlassFamily): Omit<FiringOutlook, "firing"> {
	const demand = demandOf(piece, pace);
	const schedule = buildSchedule(demand, { family });
	const peak = schedule.segments.find(({ name }) => name === "peak");
	return {
		level: piece.level,
		peakC: peakOf(schedule),
		holdMin: peak?.holdMin ?? 0,
		airMin: demand.airMin,
		effectiveMm: piece.effectiveMm,
		soakMin: demand.soakMin,
		coolCPerH: demand.coolCPerH,
		hours: scheduleHours(schedule, undefined),
		parts: partsOf(schedule),
		hoursAt: PACES.map((other) => ({
			...other,
			hours: scheduleHours(repaced(schedule, demandOf(piece, other)), undefined),
		})),
	};
}

/** Hours of the stretches of a firing. */
function partsOf(schedule: Schedule): Record<OutlookPart, number> {
	const hoursOf = (count: number) =>
		(curveOf({ segments: schedule.segments.slice(0, count) }, undefined).at(-1)?.s ?? 0) / 3600;
	const parts: Record<OutlookPart, number> = { heatingUp: 0, peak: 0, soak: 0, cooling: 0 };
	schedule.segments.forEach(({ name }, i) => {
		const part = name === "up" ? "heatingUp" : name === "peak" ? "peak" : name === "drop" ? "soak" : "cooling";
		parts[part] += hoursOf(i + 1) - hoursOf(i);
	});
	return parts;
}

export function mainFamily({ glass }: Stack): string | undefined {
	const area = new Map<string, number>();
	for (const lain of glass) {
		const id = lain.glass?.familyId;
		if (id) area.set(id, (area.get(id) ?? 0) + lain.areaMm2 * lain.glassMm);
	}
	return [...area].sort(([, a], [, b]) => b - a)[0]?.[0];
}
