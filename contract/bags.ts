import type { BagLine } from "@core/cutting/bag";
import type { FuseLevel } from "@core/firing/level";
import type { PaperSize } from "@core/studio/customs";
import { z } from "zod";
import { assistant } from "./action";
import type { SessionBrief } from "./classes";
import { count, id, words } from "./fields";
import type { GlassBookView } from "./glass";
import type { FiredNeed, LotRow } from "./lots";
import { optionalId, seenByAssistant } from "./view";

/** The bags of a class, and what is in them. Lengths mm, money in minor units. */

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

export const actions = {
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
};
