import type { ListCosts } from "@core/cost/list-costs";
import type { StockItem, StockReason } from "@core/stock/kinds";
import type { BuyLine } from "@core/stock/to-buy";
import { z } from "zod";
import { assistant, instructor } from "./action";
import type { SessionBrief } from "./classes";
import { stockAmount, stockItem } from "./documents/stock-item";
import { id, isDistinct, lengthMm, revision, words } from "./fields";
import type { GlassBookView } from "./glass";
import { idList, optionalId, seenByAssistant } from "./view";

/** What lies on the rack, what came and went, and what to buy. Lengths mm, money in minor units. */

/** Something of the stock with how much there is of it, in pieces or grams. */
export interface StockRow extends StockItem {
	revision: number;
	retired: boolean;
	amount: number;
	/** Somebody counted it last then; null for never. */
	countedAt: string | null;
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
};

export const views = {
	shopping: seenByAssistant
		.given({ session: optionalId, also: idList(12, "At most 12 classes at once.").optional() })
		.of("stock", "kits", "classes", "glass", "studio")
		.shows<ShoppingView>(),
	stock: seenByAssistant.given({}).of("stock", "glass").shows<StockView>(),
};
