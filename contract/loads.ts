import type { FiringCost } from "@core/cost/firing-cost";
import type { CurvePoint } from "@core/firing/curve";
import type { FuseLevel } from "@core/firing/level";
import type { Ring } from "@core/geometry/region";
import type { GlassFamily } from "@core/glass/family";
import type { Mould, Release } from "@core/kit/mould";
import type { LoadProposal } from "@core/loading/load";
import type { MouldTrouble } from "@core/loading/mould-problem";
import type { BookedFiring, BookPiece, PlanBook } from "@core/loading/plan/book";
import { SHELF_COUNTS } from "@core/loading/tiers";
import type { PaperSize } from "@core/studio/customs";
import type { Phrase } from "@core/units/phrase";
import { z } from "zod";
import { assistant } from "./action";
import { MOST_UPPER } from "./documents/kiln";
import { id, isDistinct, placeMm, seq, words } from "./fields";
import type { FiringCard, FiringPiece, HouseHours } from "./firings";
import type { KilnCard } from "./kilns";
import type { Pictures } from "./kits";
import type { PieceBrief } from "./pieces";
import { idList, instant, optionalId, seenByAssistant } from "./view";

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
	/** Pieces that nothing is wrong with but the mould they are fired on. */
	onMould: { mouldId: string; name: string; trouble: MouldTrouble; pieces: PieceBrief[] }[];
	/** Moulds whose release is to be renewed before pieces that wait are fired on them. */
	worn: { mouldId: string; name: string; release: Release; usesSince: number }[];
	/** Lots of parts to be fired first, that may lie in the corners of a load of their family and level. */
	fillers: {
		id: string;
		name: string;
		count: number;
		sizeMm: number | null;
		familyId: string;
		level: FuseLevel;
		roomMm2: number;
	}[];
	/** Pieces out of an opened kiln that nobody has judged: some wait for another firing. */
	unjudged: number;
	pictures: Pictures;
	/** Outlines of kits as laid, counter-clockwise, by version and firing: "id 0". */
	outlines: Record<string, Ring>;
	/** The mould that a piece is fired on next, by the piece. */
	moulds: Record<string, Mould>;
	/** The class a piece was made in, by the piece. */
	classes: Record<string, { title: string; day: string }>;
	kilns: KilnCard[];
	families: GlassFamily[];
	/** Two families may lie on halves of one shelf. */
	mixFamilies: boolean;
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

/** A piece of a load, and whether somebody saw it lie in its place. */
export interface SheetPiece extends FiringPiece {
	loadedAt: string | null;
	/** The mould it is fired on. */
	mould: string | null;
	/** Opaque glass against the shelf: paper under it. */
	needsPaper: boolean;
}

/** One load as it is laid into the kiln, on paper or by scanning. */
export interface LoadSheetView {
	firing: Omit<FiringCard, "pieces">;
	/** In the order they are laid: from the far side to the near one, each row from the left. */
	pieces: SheetPiece[];
	pictures: Pictures;
	paper: PaperSize;
	/** Releases of the kiln’s shelves, as they are written down. */
	shelves: { name: string; release: Release; usesSince: number }[];
}

/** A piece of a plan, with what the page has to know of it besides. */
export interface PlanViewPiece extends BookPiece {
	student: string | null;
	seq: number;
}

/** A firing that runs or was announced, as it stands on the calendar. Instants ms. */
export interface CalendarFiring extends BookedFiring {
	id: string;
	number: number;
	state: "planned" | "running";
	level: FuseLevel;
	familyId: string;
	pieces: number;
	what: string;
	/** Pieces in it that were promised and have no firing after it. */
	dues: { code: string; promisedMs: number }[];
	/** It was given an hour; others start when their kiln is free. */
	isDated: boolean;
	peakMs: number;
	soakMs: number;
	doneMs: number;
	coolMs: number;
}

export interface PlanView extends PlanBook {
	pieces: PlanViewPiece[];
	booked: CalendarFiring[];
	/** Pieces of announced firings that may move: no lot lies in them, and nobody has begun to lay them in. */
	movable: (PlanViewPiece & { firingId: string })[];
	/** How many wait; more than are planned at once. */
	waiting: number;
	/** Measured by nobody, of untested glass, or for a mould that is bare, put away or too small: no plan takes them. */
	blocked: number;
}

const laid = z.strictObject({
	id,
	xMm: placeMm("Place across"),
	yMm: placeMm("Place up"),
	turnDeg: z.number({ error: "The angle must be a number." }).min(-360).max(360, "A turn is at most 360°."),
	/** On which of the kiln’s shelves, from the lowest. */
	shelf: z.number({ error: "Say which shelf." }).int().min(0).max(MOST_UPPER, "This kiln has not so many shelves."),
});

const planned = {
	firingId: id,
	kilnId: id,
	/** When it is to be started; null: as soon as the kiln is free. */
	startsAt: instant("The start").nullable().optional(),
	pieces: z
		.array(z.strictObject({ pieceId: id, seq }))
		.min(1, "Choose at least 1 piece.")
		.max(200, "At most 200 pieces in one load.")
		.refine((all) => isDistinct(all.map(({ pieceId }) => pieceId)), "A piece is in this load twice."),
};

export const actions = {
	acceptLoad: assistant
		.asks(
			z.strictObject({
				...planned,
				/** Where each piece was put; laid anew if left out. */
				laid: z
					.array(laid)
					.max(200, "At most 200 pieces in one load.")
					.refine((all) => isDistinct(all.map((one) => one.id)), "A piece lies in two places.")
					.optional(),
				/** Lots of parts that go into its corners. */
				lotIds: z.array(id).max(20, "At most 20 lots in one load.").optional(),
			}),
		)
		.touches("loads", "firings", "pieces", "stock")
		.answers<{ firingId: string; number: number }>(),
	/** Several loads at once: each is accepted, or refused with why, and the others stand. */
	acceptPlan: assistant
		.asks(
			z.strictObject({
				loads: z.array(z.strictObject(planned)).min(1, "Choose at least 1 load.").max(20, "At most 20 loads at once."),
				/** Announced firings that these take the place of: all of it, or nothing. */
				insteadOf: z.array(id).max(20, "At most 20 firings at once.").optional(),
			}),
		)
		.touches("loads", "firings", "pieces", "stock")
		.answers<{ accepted: { firingId: string; number: number }[]; refused: { firingId: string; sentence: Phrase }[] }>(),
	/** Gives a planned firing another hour, or another kiln. */
	moveFiring: assistant
		.asks(z.strictObject({ firingId: id, kilnId: id, startsAt: instant("The start").nullable() }))
		.touches("loads", "firings", "pieces")
		.answers<{ firingId: string }>(),
	/** Somebody saw this piece lie in its place; said of what is not in this load, nothing is written and it says where it belongs. */
	confirmPlace: assistant
		.asks(z.strictObject({ firingId: id, code: words("The code", 20, 1) }))
		.touches("loads")
		.answers<
			| { is: "placed"; pieceId: string; code: string; left: number }
			| { is: "extra"; pieceId: string | null; code: string; sentence: string; mayReplace: boolean }
		>(),
	/** Another piece in the place of one that is missing: the load is checked and timed anew. */
	replaceInLoad: assistant
		.asks(z.strictObject({ firingId: id, outId: id, inId: id, inSeq: seq }))
		.touches("loads", "firings", "pieces")
		.answers<{ firingId: string }>(),
	cancelFiring: assistant
		.asks(z.strictObject({ firingId: id }))
		.touches("loads", "firings", "pieces", "stock")
		.answers<{ released: number }>(),
};

export const views = {
	load: seenByAssistant
		/** From a plan: the kiln, the hour it is started (ms), and the pieces of one load. */
		.given({
			kiln: optionalId,
			start: z
				.string()
				.regex(/^\d{1,15}$/, "The start is a number of milliseconds.")
				.optional(),
			pieces: idList(200, "At most 200 pieces in one load.").optional(),
		})
		.of("pieces", "people", "kits", "glass", "kilns", "firings", "loads", "stock", "classes")
		.shows<LoadView>(),
	/** The load these pieces would make; nothing is written. */
	proposal: seenByAssistant
		.given({
			kiln: id,
			pieces: idList(200, "At most 200 pieces in one load."),
			/** The page laid them already: the schedule is all that is wanted. */
			lay: z.literal("no").optional(),
			/** On so many shelves. */
			shelves: z.enum(SHELF_COUNTS).optional(),
		})
		.of("pieces", "people", "kits", "glass", "kilns", "studio")
		.shows<ProposalView>(),
	/** One load to be laid into its kiln: printed, or piece by piece by scanning. */
	loadSheet: seenByAssistant
		.given({ firing: id })
		.of("pieces", "people", "kits", "glass", "kilns", "firings", "loads", "studio", "stock")
		.shows<LoadSheetView>(),
	/** What a plan over kilns and days is made from; it is made in the page. */
	plan: seenByAssistant
		.given({})
		.of("pieces", "people", "kits", "glass", "kilns", "firings", "loads", "studio", "stock")
		.shows<PlanView>(),
};
