import type { FuseLevel } from "@core/firing/level";
import type { AsMade, PieceEvent } from "@core/journey/events";
import type { JourneyState } from "@core/journey/journey";
import type { RouteStep } from "@core/kit/kit";
import type { MouldTrouble } from "@core/loading/mould-problem";
import type { KitBody, PieceBody } from "@core/piece/piece-body";
import type { PromiseState } from "@core/promise/promise";
import type { PaperSize } from "@core/studio/customs";
import { z } from "zod";
import { assistant, instructor } from "./action";
import type { SessionBrief } from "./classes";
import { glue, grams, id, lengthMm, level, seq, words } from "./fields";
import { most, seenByAssistant } from "./view";

/** A step of one piece: which, the device's own id for this event, and the state the person saw. */
export const pieceStep = { pieceId: id, eventId: id, seq };

const asMade = z
	.strictObject({
		widthMm: lengthMm("Width"),
		heightMm: lengthMm("Height"),
		thickestMm: lengthMm("Thickest point", 150),
		thinnestMm: lengthMm("Thinnest point", 150),
		massG: grams("Weight").nullable(),
		changed: words("What changed", 500),
	})
	.refine((made) => made.thinnestMm <= made.thickestMm, {
		path: ["thinnestMm"],
		message: "The thinnest point cannot be thicker than the thickest point.",
	});

export interface Band {
	colour: string;
	mm: number;
}

/** A piece as every list shows it. */
export interface PieceBrief {
	id: string;
	kitVersionId: string | null;
	code: string;
	student: string | null;
	kit: string | null;
	familyId: string;
	state: JourneyState;
	level: FuseLevel;
	hadLevel: FuseLevel | null;
	seq: number;
	step: number;
	route: RouteStep[];
	/** Plan of the thickest column, from the shelf up. */
	stack: Band[];
	stackCode: string;
	effectiveMm: number;
	/** As the firing that comes next finds it, but for its outline; null where neither kit nor measures are known. */
	body: PieceBody | null;
	/** What its kit says of that firing; null for a piece without a kit. */
	planned: KitBody | null;
	asMade: AsMade | null;
	/** Of a kit of loose ones, how many were good; null where nobody counted. */
	good: number | null;
	readyFrom: string | null;
	spot: string | null;
	since: string;
	promisedDay: string | null;
	promise: PromiseState | null;
	firingId: string | null;
}

export interface DryView {
	pieces: PieceBrief[];
	/** How many there are, shown or not. */
	all: number;
}

export interface HandOverView {
	coldWork: PieceBrief[];
	ready: PieceBrief[];
	/** How many there are, shown or not. */
	all: { coldWork: number; ready: number; shelved: number };
	spots: { label: string; pieces: PieceBrief[] }[];
}

export interface HistoryLine {
	event: PieceEvent;
	by: string | null;
	undone: boolean;
}

export interface PieceView {
	piece: PieceBrief;
	history: HistoryLine[];
	photos: { id: string; widthPx: number; heightPx: number; takenAt: string }[];
	firings: {
		id: string;
		number: number;
		kiln: string;
		level: FuseLevel;
		startedAt: string | null;
		judgedLevel: string | null;
	}[];
	undoable: string | null;
	/** Who took it; null where it was the owner. */
	collectedBy: string | null;
	session: SessionBrief | null;
	kitId: string | null;
	/** Where it waits for a firing on a mould: all that serve that firing, and what keeps it off each; null otherwise. */
	moulds: { id: string; name: string; trouble: MouldTrouble | null; shortMm: number }[] | null;
	/** Moulds that its steps name, by their id. */
	mouldNames: Record<string, string>;
}

export interface LabelsView {
	paper: PaperSize;
	labels: {
		code: string;
		student: string | null;
		kit: string | null;
		stackCode: string;
		qrPath: string;
		qrSize: number;
	}[];
}

export const actions = {
	/** The piece as it was made: measured, glued, and with its fuse level decided again. */
	handIn: assistant
		.asks(z.strictObject({ ...pieceStep, asMade, glue, level }))
		.touches("pieces")
		.answers<{ code: string; readyFrom: string }>(),
	reglue: assistant
		.asks(z.strictObject({ ...pieceStep, glue }))
		.touches("pieces")
		.answers<{ readyFrom: string }>(),
	/** A waiting piece as it is now: glass may have been added since it was handed in. */
	measure: assistant
		.asks(z.strictObject({ ...pieceStep, asMade }))
		.touches("pieces")
		.answers<{ seq: number }>(),
	/** A waiting piece goes with the next hotter or cooler tray. */
	changeLevel: instructor
		.asks(z.strictObject({ ...pieceStep, level }))
		.touches("pieces")
		.answers<{ level: FuseLevel }>(),
	/** A waiting piece goes on another mould than its kit says. */
	chooseMould: assistant
		.asks(z.strictObject({ ...pieceStep, mouldId: words("The mould", 40, 1) }))
		.touches("pieces")
		.answers<{ seq: number }>(),
	addPhoto: assistant
		.asks(z.strictObject({ pieceId: id, eventId: id }), { upload: "photo" })
		.touches("pieces")
		.answers<{ photoId: string }>(),
	finishColdWork: assistant
		.asks(z.strictObject({ ...pieceStep, note: words("The note", 500) }))
		.touches("pieces")
		.answers<{ state: string }>(),
	shelve: assistant
		.asks(z.strictObject({ ...pieceStep, spot: words("The spot", 20, 1) }))
		.touches("pieces")
		.answers<{ spot: string }>(),
	collect: assistant
		.asks(z.strictObject({ ...pieceStep, by: words("Collected by", 80, 1) }))
		.touches("pieces")
		.answers<{ state: string }>(),
	undo: assistant.asks(z.strictObject(pieceStep)).touches("pieces", "loads").answers<{ state: string }>(),
	note: assistant
		.asks(z.strictObject({ pieceId: id, eventId: id, note: words("The note", 500, 1) }))
		.touches("pieces")
		.answers<{ seq: number }>(),
};

const code = words("The code", 40);

export const views = {
	dry: seenByAssistant.given({ most }).of("pieces", "people", "kits", "glass", "firings").shows<DryView>(),
	handOver: seenByAssistant.given({ most }).of("pieces", "people", "kits", "glass", "firings").shows<HandOverView>(),
	piece: seenByAssistant
		.given({ code })
		.of("pieces", "people", "kits", "glass", "firings", "loads", "kilns", "classes")
		.shows<PieceView>(),
	labels: seenByAssistant
		.given({ codes: words("The codes", 2000).optional() })
		.of("pieces", "people", "kits", "glass", "firings")
		.shows<LabelsView>(),
};
