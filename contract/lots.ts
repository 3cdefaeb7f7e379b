import type { FuseLevel } from "@core/firing/level";
import { z } from "zod";
import { assistant, instructor } from "./action";
import { count, id, lengthMm, words } from "./fields";
import type { FiringCard } from "./firings";

/** Parts that are fired before they are packed. Lengths mm, money in minor units. */

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

export const actions = {
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
};
