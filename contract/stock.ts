import type { ListCosts } from "@core/cost/list-costs";
import type { BagLine } from "@core/cutting/bag";
import type { CutLine } from "@core/cutting/count";
import type { KeptPlan } from "@core/cutting/plan/kept";
import type { FuseLevel } from "@core/firing/level";
import type { KitDesign } from "@core/kit/kit";
import type { StockItem, StockReason } from "@core/stock/kinds";
import type { BuyLine } from "@core/stock/to-buy";
import type { PaperSize } from "@core/studio/customs";
import { z } from "zod";
import { assistant, instructor } from "./action";
import type { SessionBrief } from "./classes";
import { cutPlan } from "./documents/cut-plan";
import { stockAmount, stockItem } from "./documents/stock-item";
import { count, id, isDistinct, lengthMm, revision, words } from "./fields";
import type { FiringCard } from "./firings";
import type { GlassBookView } from "./glass";
import { idList, optionalId, seenByAssistant } from "./view";

/** Something of the stock with how much there is of it, in pieces or grams. */
export interface StockRow extends StockItem {
	revision: number;
	retired: boolean;
	amount: number;
	/** Somebody counted it last then; null for never. */
	countedAt: string | null;
}

/** A kit's bag: what is in it, and whether it is closed. */
export interface BagRow {
	/** Null until somebody puts something in or prints its label. */
	code: string | null;
	number: number;
	/** Keys of what is in it. */
	inIt: string[];
	packedAt: string | null;
	packedBy: string | null;
}

/** The bags of one kit of a class. */
export interface BagsOfKit {
	runId: string;
	kitId: string;
	name: string;
	/** What its colours are called; null for those it was drawn in. */
	palette: string | null;
	/** The frozen version, and whether the kit was changed since. */
	version: number;
	isOld: boolean;
	contents: BagLine[];
	bags: BagRow[];
}

export interface BagsView extends GlassBookView {
	sessions: SessionBrief[];
	session: SessionBrief | null;
	kits: BagsOfKit[];
	/** Parts that are fired before they are packed: what the bags take, what there is, what is on its way. */
	fired: FiredNeed[];
	lots: LotRow[];
	/** Planned firings with their level, and how much of their shelf is free. */
	fillers: { id: string; number: number; kiln: string; familyId: string; level: FuseLevel; freeMm2: number }[];
	/** Kilns with no firing planned, for one of their own. */
	kilns: { id: string; name: string }[];
}

/** Dots of one glass and size, or another part that comes out of a kiln before it is packed. */
export interface FiredNeed {
	name: string;
	madeOf: string;
	/** A list that wants it. */
	cutRunId: string;
	level: FuseLevel;
	glassId: string | null;
	sizeMm: number;
	/** Of a dot: the square that is cut for it. */
	squareMm: number | null;
	wanted: number;
	/** That many more are fired, for what breaks. */
	spares: number;
	/** In bags that are closed. */
	packed: number;
	have: number;
	/** In lots that are not fired yet. */
	coming: number;
}

export interface LotRow {
	id: string;
	name: string;
	glassId: string | null;
	sizeMm: number | null;
	count: number;
	level: FuseLevel;
	wantedAt: string;
	familyId: string | null;
	/** The firing it lies in or is planned for. */
	firing: { id: string; number: number; kiln: string; state: FiringCard["state"] } | null;
}

export interface BagLabel {
	code: string;
	kit: string;
	palette: string | null;
	version: number;
	number: number;
	of: number;
	day: string;
	title: string;
	qrPath: string;
	qrSize: number;
}

export interface ShoppingView extends GlassBookView {
	sessions: SessionBrief[];
	session: SessionBrief | null;
	together: string[];
	lines: BuyLine[];
	/** Sheets that the plans take, with what each glass costs and how much of it is waste, 0 to 1. */
	sheets: { glassId: string; sheets: number; offcuts: number; yield: number; costMinor: number | null }[];
	/** What the kits cost; null for who may not see money. */
	costs: (ListCosts & { names: Record<string, string>; students: number }) | null;
	/** Kits that are cut for it, all together. */
	kits: number;
	currency: string | null;
}

/** What changed an amount, when and through whom. */
export interface StockRecordLine {
	id: string;
	itemId: string;
	at: string;
	reason: StockReason;
	change: number;
	actor: string;
	note: string;
}

export interface StockView extends GlassBookView {
	items: StockRow[];
	/** The newest first. */
	records: StockRecordLine[];
	/** Null for who may not see money. */
	currency: string | null;
}

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

const eventId = id;

export const actions = {
	/** Writes down what the studio keeps of something; the first time with how much there is. */
	saveStock: instructor
		.asks(z.strictObject({ item: stockItem, revision, amount: stockAmount("The amount").nullable() }))
		.touches("stock")
		.answers<{ itemId: string; revision: number }>(),
	/** So much came or went. Never more than there is. */
	moveStock: assistant
		.asks(
			z.strictObject({
				eventId,
				itemId: id,
				reason: z.enum(["bought", "taken", "returned", "broke"], { error: "Say why." }),
				amount: stockAmount("The amount", 0.001),
				note: words("The note", 200),
			}),
		)
		.touches("stock")
		.answers<{ amount: number }>(),
	/** What somebody counted on the shelves: what the book thought otherwise becomes a record. */
	countStock: assistant
		.asks(
			z.strictObject({
				counts: z
					.array(z.strictObject({ eventId, itemId: id, amount: stockAmount("The count") }))
					.min(1, "Nothing was counted.")
					.max(1000, "At most 1000 at once.")
					.refine((all) => isDistinct(all.map(({ itemId }) => itemId)), "One of them is counted twice."),
			}),
		)
		.touches("stock")
		.answers<{ changed: number }>(),
	/** Glass that comes back from a class or a cut: an offcut of its glass, or set apart where nobody knows what it is. */
	returnGlass: assistant
		.asks(
			z.strictObject({
				itemId: id,
				eventId,
				glassId: words("The glass", 80, 1).nullable(),
				name: words("The mark", 40),
				widthMm: lengthMm("The width", 5000, 1),
				heightMm: lengthMm("The height", 5000, 1),
				place: words("The place", 60),
			}),
		)
		.touches("stock")
		.answers<{ itemId: string }>(),
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
	/** Something is in a bag, or is taken out of it again. */
	packLine: assistant
		.asks(
			z.strictObject({
				cutRunId: id,
				number: count("The bag", 1, 60),
				lineKey: words("What is packed", 120, 1),
				inIt: z.boolean(),
			}),
		)
		.touches("stock")
		.answers<{ inIt: boolean }>(),
	/** Closes a bag or opens it again. What is missing in it stays missing, and is said. */
	packBag: assistant
		.asks(
			z.strictObject({
				cutRunId: id,
				number: count("The bag", 1, 60),
				packed: z.boolean(),
				all: z.boolean().optional(),
			}),
		)
		.touches("stock")
		.answers<{ missing: number }>(),
	/** Parts that are to be fired before they can be packed. */
	orderLot: assistant
		.asks(
			z.strictObject({
				lotId: id,
				name: words("The name", 80, 1),
				glassId: words("The glass", 80, 1).nullable(),
				sizeMm: lengthMm("The size", 300, 0.5).nullable(),
				count: count("How many", 1, 2000),
				sessionId: id.nullable(),
				/** The kit that they are for, and what one is made of there. */
				of: z.strictObject({ cutRunId: id, madeOf: words("What it is made of", 120, 1) }).optional(),
			}),
		)
		.touches("stock")
		.answers<{ lotId: string }>(),
	/** A lot came out of the kiln: what is good of it goes into the drawer. None: it is called off. */
	endLot: assistant
		.asks(z.strictObject({ lotId: id, made: count("How many are good", 0, 2000) }))
		.touches("stock")
		.answers<{ made: number }>(),
	/** Plans a firing of their own for lots of one family, by the studio's schools. */
	fireLots: instructor
		.asks(
			z.strictObject({
				firingId: id,
				kilnId: id,
				lotIds: z.array(id).min(1, "Choose a lot.").max(50, "At most 50 lots at once."),
			}),
		)
		.touches("stock", "firings", "schedules")
		.answers<{ firingId: string; number: number }>(),
	/** A lot fills up the shelf of a firing that is planned; null: no longer. */
	fillWithLot: assistant
		.asks(z.strictObject({ lotId: id, firingId: id.nullable() }))
		.touches("stock", "firings")
		.answers<{ firingId: string | null }>(),
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
	bags: seenByAssistant
		.given({ session: optionalId })
		.of("stock", "kits", "classes", "glass", "firings", "kilns", "loads")
		.shows<BagsView>(),
	bagLabels: seenByAssistant
		.given({ session: id })
		.of("stock", "kits", "classes")
		.shows<{ labels: BagLabel[]; paper: PaperSize }>(),
	shopping: seenByAssistant
		.given({ session: optionalId, also: idList(12, "At most 12 classes at once.").optional() })
		.of("stock", "kits", "classes", "glass", "studio")
		.shows<ShoppingView>(),
	stock: seenByAssistant.given({}).of("stock", "glass").shows<StockView>(),
	cut: seenByAssistant
		.given({
			session: optionalId,
			show: z.enum(["parts"]).optional(),
			also: idList(12, "At most 12 classes at once.").optional(),
		})
		.of("stock", "kits", "classes", "glass")
		.shows<CutView>(),
};
