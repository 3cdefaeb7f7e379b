import type { PieceToFire } from "../../firing/demand";
import type { GlassFamily } from "../../glass/family";
import type { LoadKiln, LoadSchools } from "../load";
import type { Form } from "../outlines/form";
import type { PlanWishes } from "./wishes";

/** From one minute of the plan to another; minutes count from its beginning. */
export interface MinuteSpan {
	from: number;
	to: number;
}

/** One firing that a piece still has before it. */
export interface PlanJob {
	/** What the schedule has to know of it; its id is the piece's. */
	toFire: PieceToFire;
	familyId: string;
	/** Family, level and band: what may share a shelf. */
	tray: string;
	form: Form;
	/** Heat that its glass holds, J/K. */
	glassJPerK: number;
	/** With its mould, mm. */
	heightMm: number;
	/** The mould it is fired on, by its id in the input's moulds; null without one. */
	mouldId: string | null;
	/** Hand work and judging between the opening before it and this firing, min. */
	afterMin: number;
}

/** A piece that waits. */
export interface PlanPiece {
	id: string;
	code: string;
	/** Its firings still to come, in order; at least one. */
	jobs: PlanJob[];
	/** Dry and on the spot from then on. */
	readyMin: number;
	/** The end of the day it was promised for; null without a promise. */
	promisedMin: number | null;
	/** The class it belongs to; empty without one. */
	group: string;
	/** Judging, finishing and wrapping after the last opening, min. */
	tailMin: number;
}

export interface PlanKiln extends LoadKiln {
	id: string;
	name: string;
	/** Taken by what runs, or was announced; or out of service. */
	booked: MinuteSpan[];
}

/** A mould, of which a studio may have several alike. */
export interface PlanMould {
	id: string;
	/** How many there are. */
	count: number;
	/** So many of them lie in a firing that runs, or was announced. */
	booked: (MinuteSpan & { taken: number })[];
}

/** A firing that people know of. */
export interface PlanAnnounced {
	id: string;
	/** Its index. */
	kiln: number;
	startMin: number;
	pieceIds: readonly string[];
}

/** Everything a plan is made from. */
export interface PlanInput {
	pieces: PlanPiece[];
	kilns: PlanKiln[];
	/** Those that any piece is fired on. */
	moulds: PlanMould[];
	families: GlassFamily[];
	schools: LoadSchools;
	/** When somebody is there who may load and open, in order. */
	there: MinuteSpan[];
	/** When a kiln may be started: the same without quiet hours. */
	mayStart: MinuteSpan[];
	/** No firing is started after it. */
	horizonMin: number;
	/** A kiln may fire so long with nobody there, min; null: as long as it takes. */
	aloneMin: number | null;
	/** Firings that were announced and may be given another hour, kiln or pieces. */
	announced?: readonly PlanAnnounced[];
	/** What counts more to the studio than it usually does, and what less. */
	wishes: PlanWishes;
}

/** What counts how much: the same unit throughout, a hundredth of a broken promise. */
export interface PlanWeights {
	brokenPromise: number;
	/** A promised piece's day of being late. */
	dayLate: number;
	firing: number;
	/** A class in one load more than it needs. */
	classSplit: number;
	/** An hour that a piece is annealed longer than it needs. */
	overAnnealHour: number;
	/** An hour until a piece is home. */
	waitingHour: number;
	leftOut: number;
	/** A piece that is fired in another kiln or at another hour than was announced. */
	moved: number;
	/** Pieces of different bands may share a shelf. */
	mixBands: boolean;
}

/** One firing of a plan. */
export interface PlanLoad {
	kiln: number;
	/** Indices of jobs. */
	jobs: number[];
}

/** A load with its hours. Minutes of the plan. */
export interface PlannedLoad extends PlanLoad {
	startMin: number;
	/** Cool enough to open, as computed, without slack. */
	coolMin: number;
	/** When somebody opens it, slack counted. */
	openMin: number;
	/** The controller is done. */
	doneMin: number;
	kwh: number;
}

export interface PlanFigures {
	firings: number;
	promises: number;
	/** Ids of pieces that are fired in another kiln or at another hour than was announced, or not at all. */
	moved: string[];
	/** Ids of pieces whose promise is broken. */
	broken: string[];
	/** Ids of pieces with a firing that found no place. */
	left: string[];
	kwh: number;
	/** Hours that pieces are annealed longer than they need. */
	overAnnealH: number;
	/** Glass over the usable shelf, mean over the firings, 0 to 1. */
	fill: number;
	/** When the last piece is home; null where none is. */
	lastHomeMin: number | null;
	/** Sum over pieces of hours until home. */
	waitingH: number;
}

export interface Plan {
	loads: PlannedLoad[];
	/** When each piece is home, by its id; none for what is left. */
	homeMin: Record<string, number>;
	figures: PlanFigures;
	cost: number;
}
