import { byId } from "@core/by-id";
import type { FuseLevel } from "@core/firing/level";
import { type Pace, USUAL_PACE } from "@core/firing/schools";
import type { GlassFamily } from "@core/glass/family";
import type { Glass } from "@core/glass/glass";
import { crossingsOf, MOST_CROSSINGS } from "@core/kit/intricacy";
import type { KitDesign } from "@core/kit/kit";
import type { Mould } from "@core/kit/mould";
import { slumpedHeightMm } from "@core/kit/mould-profile";
import { firingStacks, heatedThrough } from "@core/stack/firing-stacks";
import type { GlassBook } from "@core/stack/lay";
import { type Cut, type Section, sectionAlong } from "@core/stack/section";
import { type Stack, stackOf } from "@core/stack/stack";
import { type KitSurvey, surveyOf, type Trial, trialsOf } from "@core/stack/survey";
import { isHeldBy, standsIn } from "@core/stack/walls";
import { expose } from "comlink";

export interface Books {
	glasses: readonly Glass[];
	families: readonly GlassFamily[];
	moulds: readonly Mould[];
	clearHeightMm: number | null;
	pace: Pace;
}

let book: GlassBook = { glasses: new Map(), families: new Map() };
let pace: Pace = USUAL_PACE;
let last: Stack | undefined;

/** The core's reading of a kit, off the page's own thread. The stack of the last design is kept for its sections. */
const surveyor = {
	open(books: Books): void {
		const { clearHeightMm } = books;
		pace = books.pace;
		last = undefined;
		book = {
			glasses: byId(books.glasses),
			families: byId(books.families),
			moulds: byId(books.moulds),
			...(clearHeightMm !== null && { clearHeightMm }),
		};
	},
	/** Of one firing of its route, the assembling one if left out. Undefined for a kit that would take minutes: the server refuses it too. */
	survey(design: KitDesign, firing?: number): KitSurvey | undefined {
		last = undefined;
		if (crossingsOf(design) > MOST_CROSSINGS) return undefined;
		const assembled = stackOf(design, book);
		last = heatedThrough(firingStacks(assembled)[firing ?? assembled.firing] ?? assembled);
		return surveyOf(assembled, pace, firing);
	},
	/** A section through the design surveyed last; undefined before the first survey. */
	section(cut: Cut, count: number): Section | undefined {
		if (!last) return undefined;
		const { lain, bodies, flow, step, centre, walls } = last;
		const held = bodies.filter(({ parts }) => walls.some((wall) => isHeldBy(wall, parts)));
		const mould = step.level === "slump" ? book.moulds?.get(step.mouldId ?? "") : undefined;
		return sectionAlong(
			lain,
			bodies.map(({ after }) => after.region),
			cut,
			flow,
			count,
			mould && (({ x, y }) => slumpedHeightMm(mould, { x: x - centre.x, y: y - centre.y })),
			standsIn(step) ? { held: held.map(({ after }) => after.region), stand: true } : undefined,
		);
	},
	trials: (design: KitDesign, tries: readonly { level: FuseLevel; familyId: string }[]): Trial[] =>
		trialsOf(design, book, tries, pace),
};
export type Surveyor = typeof surveyor;
expose(surveyor);
