import type { FiringCost } from "@core/cost/firing-cost";
import type { CurvePoint } from "@core/firing/curve";
import type { FuseLevel } from "@core/firing/level";
import type { GlassFamily } from "@core/glass/family";
import type { LoadProposal } from "@core/loading/propose";
import { z } from "zod";
import { assistant } from "./action";
import { id, seq } from "./fields";
import type { HouseHours } from "./firings";
import type { KilnCard } from "./kilns";
import type { Pictures } from "./kits";
import type { PieceBrief } from "./pieces";
import { idList, seenByAssistant } from "./view";

export interface LoadView {
	trays: {
		key: string;
		familyId: string;
		level: FuseLevel;
		fromMm: number;
		upToMm: number | null;
		pieces: PieceBrief[];
		promised: string | null;
	}[];
	wet: PieceBrief[];
	untested: PieceBrief[];
	pictures: Pictures;
	kilns: KilnCard[];
	families: GlassFamily[];
}

export interface ProposalView extends LoadProposal {
	kilnId: string;
	openAt: string;
	house: HouseHours;
	/** What it costs; null for who may not see money. */
	cost: FiringCost | null;
	plan: CurvePoint[];
	air: CurvePoint[];
}

export const actions = {
	acceptLoad: assistant
		.asks(
			z.strictObject({
				firingId: id,
				kilnId: id,
				pieces: z
					.array(z.strictObject({ pieceId: id, seq }))
					.min(1, "Choose at least 1 piece.")
					.max(200, "At most 200 pieces in one load."),
			}),
		)
		.touches("loads", "firings", "pieces")
		.answers<{ firingId: string; number: number }>(),
	cancelFiring: assistant
		.asks(z.strictObject({ firingId: id }))
		.touches("loads", "firings", "pieces")
		.answers<{ released: number }>(),
};

export const views = {
	load: seenByAssistant
		.given({})
		.of("pieces", "people", "kits", "glass", "kilns", "firings", "loads")
		.shows<LoadView>(),
	/** The load these pieces would make; nothing is written. */
	proposal: seenByAssistant
		.given({ kiln: id, pieces: idList(200, "At most 200 pieces in one load.") })
		.of("pieces", "kits", "glass", "kilns", "studio")
		.shows<ProposalView>(),
};
