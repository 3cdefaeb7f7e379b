import type { CutLine } from "@core/cutting/count";
import type { KitDesign } from "@core/kit/kit";
import { z } from "zod";
import { assistant } from "./action";
import type { SessionBrief } from "./classes";
import { count, id, words } from "./fields";
import type { GlassBookView } from "./glass";
import { optionalId, seenByAssistant } from "./view";

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

export const actions = {
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
	cut: seenByAssistant.given({ session: optionalId }).of("stock", "kits", "classes", "glass").shows<CutView>(),
};
