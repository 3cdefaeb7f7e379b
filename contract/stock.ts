import type { CutLine } from "@core/cutting/count";
import type { KitDesign } from "@core/kit/kit";
import type { StockItem, StockReason } from "@core/stock/kinds";
import { z } from "zod";
import { assistant, instructor } from "./action";
import type { SessionBrief } from "./classes";
import { stockAmount, stockItem } from "./documents/stock-item";
import { count, id, isDistinct, lengthMm, revision, words } from "./fields";
import type { GlassBookView } from "./glass";
import { optionalId, seenByAssistant } from "./view";

/** Something of the stock with how much there is of it, in pieces or grams. */
export interface StockRow extends StockItem {
	revision: number;
	retired: boolean;
	amount: number;
	/** Somebody counted it last then; null for never. */
	countedAt: string | null;
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
	kits: number;
	kit: KitDesign;
	kitId: string;
	lines: (CutLine & { done: number })[];
}

export interface CutView extends GlassBookView {
	sessions: SessionBrief[];
	session: SessionBrief | null;
	runs: CutRun[];
	kits: { id: string; name: string }[];
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
		.asks(z.strictObject({ sessionId: id, kitId: id, kits: count("Kits", 1, 60) }))
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
			}),
		)
		.touches("stock")
		.answers<{ done: number }>(),
};

export const views = {
	stock: seenByAssistant.given({}).of("stock", "glass").shows<StockView>(),
	cut: seenByAssistant.given({ session: optionalId }).of("stock", "kits", "classes", "glass").shows<CutView>(),
};
