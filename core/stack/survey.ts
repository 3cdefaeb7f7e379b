import type { FuseLevel } from "../firing/level";
import { type Pace, USUAL_PACE } from "../firing/schools";
import { boundsOf } from "../geometry/bounds";
import type { Point, Region } from "../geometry/region";
import { FAMILY_90 } from "../glass/family";
import { swapFamily } from "../kit/family-swap";
import { assemblyFiring, type KitDesign } from "../kit/kit";
import type { Meeting } from "./contacts";
import { firingStacks, heatedThrough, routeStacks } from "./firing-stacks";
import type { GlassBook } from "./lay";
import { type FiringOutlook, mainFamily, outlookOf } from "./outlook";
import { type KitReading, readingOf } from "./read-kit";
import { type RouteHours, routeHours } from "./route-hours";
import { type Stack, stackOf } from "./stack";
import { type StressMap, stressMap } from "./stress-map";

/** A reading with what a drawing needs of it. */
export interface KitSurvey {
	reading: KitReading;
	/** The thickness map: patches of the plan with their glass, mm. */
	patches: { region: Region; mm: number }[];
	/** The stress map of the same patches. */
	stress: StressMap;
	/** Outlines after the firing, one a body. */
	after: Region[];
	/** Where parts meet, and how. */
	joints: { a: string; b: string; kind: Meeting; at: Point }[];
	/** How high each part lies, mm. */
	rests: Record<string, number>;
	firings: FiringOutlook[];
	route: RouteHours;
}

/**
 * @param assembled the kit laid up for the firing that puts it together
 * @param firing the one of its route that is looked at; the assembling one if left out
 */
export function surveyOf(assembled: Stack, pace: Pace = USUAL_PACE, firing = assembled.firing): KitSurvey {
	const stacks = firingStacks(assembled);
	const stack = heatedThrough(stacks[firing] ?? assembled);
	const firings = routeStacks(assembled).map((one) => outlookOf(one, pace));
	const patches = stack.columns.filter(({ mm }) => mm > 0);
	const { coolCPerH, soakMin } = firings[firing] ?? { coolCPerH: 0, soakMin: 0 };
	const family = stack.book.families.get(mainFamily(stack) ?? "") ?? FAMILY_90;
	return {
		reading: readingOf(stack),
		patches: patches.map(({ region, mm }) => ({ region, mm })),
		stress: stressMap(patches, { coolCPerH, soakMin, expansionE7PerK: family.expansionE7PerK }),
		after: stack.bodies.map(({ after }) => after.region),
		joints: stack.contacts.map(({ a, b, kind, shared, nearest }) => ({
			a: a.id,
			b: b.id,
			kind,
			at: shared.length > 0 ? middleOf(shared) : nearest.a,
		})),
		rests: Object.fromEntries(stack.rests.map(({ part, restMm }) => [part.id, restMm])),
		firings,
		route: routeHours(stacks, firings, pace),
	};
}

const middleOf = (region: Region): Point => {
	const { minX, minY, maxX, maxY } = boundsOf(region);
	return { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
};

/** One way a kit could be fired, for comparing side by side. */
export interface Trial {
	level: FuseLevel;
	familyId: string;
	widthMm: number;
	heightMm: number;
	/** Mean thickness afterwards of the largest body. */
	meanMm: number;
	/** Findings that stop or have to be mended. */
	toMend: number;
	outlook: FiringOutlook;
}

/** The same kit at several levels and in several families, each from that family's nearest glass. */
export function trialsOf(
	design: KitDesign,
	book: GlassBook,
	tries: readonly { level: FuseLevel; familyId: string }[],
	pace: Pace = USUAL_PACE,
): Trial[] {
	const stacks = new Map<string, Stack>();
	const firing = assemblyFiring(design);
	return tries.map(({ level, familyId }) => {
		const route = design.route.map((step, i) => (i === firing ? { ...step, level } : step));
		const known = `${familyId} ${level}`;
		const stack = stacks.get(known) ?? stackOf(swapFamily({ ...design, route }, book.glasses, familyId).design, book);
		stacks.set(known, stack);
		const { widthMm, heightMm } = boundsOf(stack.bodies.flatMap(({ after }) => after.region));
		return {
			level,
			familyId,
			widthMm,
			heightMm,
			meanMm: stack.bodies[0]?.after.meanMm ?? 0,
			toMend: readingOf(stack).findings.filter(({ severity }) => severity !== "know").length,
			outlook: outlookOf(stack, pace, familyId),
		};
	});
}
