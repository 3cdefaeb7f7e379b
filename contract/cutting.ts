import type { CutLine } from "@core/cutting/count";
import type { KeptPlan } from "@core/cutting/plan/kept";
import type { KitDesign } from "@core/kit/kit";
import { z } from "zod";
import { assistant } from "./action";
import type { SessionBrief } from "./classes";
import { cutPlan } from "./documents/cut-plan";
import { count, id, isDistinct, revision, words } from "./fields";
import type { GlassBookView } from "./glass";
import { idList, optionalId, seenByAssistant } from "./view";

/** What is cut for a class, from which sheets, and how far it is. Lengths mm, money in minor units. */

export interface CutRun {
	id: string;
	sessionId: string;
	kits: number;
	kit: KitDesign;
	kitId: string;
	/** What its colours are called; null for those it was drawn in. */
	palette: string | null;
	/** The kit was changed since it was put on this list. */
	isOld: boolean;
	/** Fired parts that come from the drawer: nothing is cut for them. */
	drawer: { name: string; count: number }[];
	lines: (CutLine & { done: number; broken: number })[];
}

/** A plan that somebody cuts by, for one glass. */
export interface CutPlanRow {
	id: string;
	revision: number;
	glassId: string;
	runIds: string[];
	plan: KeptPlan;
	startedAt: string;
	actor: string;
}

/** Sheets and offcuts to cut from. */
export interface SheetStockRow {
	id: string;
	kind: "sheet" | "offcut";
	glassId: string;
	name: string;
	widthMm: number;
	heightMm: number;
	place: string;
	amount: number;
}

export interface CutView extends GlassBookView {
	sessions: SessionBrief[];
	session: SessionBrief | null;
	/** Other classes that are cut together with it. */
	together: string[];
	runs: CutRun[];
	plans: CutPlanRow[];
	stock: SheetStockRow[];
	/** Threads and ribbons come in these lengths. */
	rods: { glassId: string; lengthMm: number; place: string }[];
	/** Null for who may not see money. */
	currency: string | null;
	kits: { id: string; name: string; palettes: { id: string; name: string }[] }[];
}

export const actions = {
	planCut: assistant
		.asks(
			z.strictObject({
				sessionId: id,
				kitId: id,
				/** None: as the kit was drawn. */
				paletteId: words("The colours", 40).optional(),
				kits: count("Kits", 1, 60),
			}),
		)
		.touches("stock", "kits")
		.answers<{ cutRunId: string }>(),
	/** So many more of a cut are done, or fewer where some broke. Counted by the device's own event: two people lose no count. */
	tickCut: assistant
		.asks(
			z.strictObject({
				cutRunId: id,
				lineKey: words("The cut", 120, 1),
				eventId: id,
				more: z
					.number({ error: "Say how many." })
					.int("Whole parts.")
					.min(-1000, "At most 1000.")
					.max(1000, "At most 1000."),
				/** So many broke: their glass is used up, and they are cut again. */
				broke: count("How many broke", 0, 1000).optional(),
			}),
		)
		.touches("stock")
		.answers<{ done: number; broken: number }>(),
	/** So many spares of one cut instead of the usual; null for the usual. */
	setSpares: assistant
		.asks(
			z.strictObject({
				cutRunId: id,
				lineKey: words("The cut", 120, 1),
				spares: count("Spares", 0, 500).nullable(),
			}),
		)
		.touches("stock")
		.answers<{ spares: number | null }>(),
	/** Takes the kit as it is now in place of the one the list was made of. What is cut and still wanted stays counted. */
	renewCut: assistant
		.asks(z.strictObject({ cutRunId: id }))
		.touches("stock", "kits")
		.answers<{ cutRunId: string }>(),
	/**
	 * Begins to cut a glass by a plan, or goes on by another one: glass is taken from the stock for it, or put back. Strips that were
	 * begun stay as they are.
	 */
	saveCutPlan: assistant
		.asks(
			z.strictObject({
				planId: id,
				revision,
				glassId: words("The glass", 80, 1),
				runIds: z
					.array(id)
					.min(1, "Say which lists it is for.")
					.max(60, "At most 60 lists.")
					.refine(isDistinct, "One list is named twice."),
				plan: cutPlan,
			}),
		)
		.touches("stock")
		.answers<{ planId: string; revision: number }>(),
	/** A sheet is done with: its rests go onto the rack, those that are kept. */
	clearSheet: assistant
		.asks(
			z.strictObject({
				planId: id,
				revision,
				sheet: count("The sheet", 0, 300),
				place: words("The place", 60),
				keep: z
					.array(z.strictObject({ itemId: id, rest: count("Which rest", 0, 1000), name: words("The mark", 40) }))
					.max(100, "At most 100 rests.")
					.refine((all) => isDistinct(all.map(({ rest }) => String(rest))), "One rest is kept twice."),
			}),
		)
		.touches("stock")
		.answers<{ planId: string; revision: number }>(),
	/** Nobody cuts by it after all: all its glass goes back. Only while nothing is cut of it. */
	dropCutPlan: assistant
		.asks(z.strictObject({ planId: id }))
		.touches("stock")
		.answers<{ dropped: true }>(),
};

export const views = {
	cut: seenByAssistant
		.given({
			session: optionalId,
			show: z.enum(["parts"]).optional(),
			also: idList(12, "At most 12 classes at once.").optional(),
		})
		.of("stock", "kits", "classes", "glass")
		.shows<CutView>(),
};
