import type { FuseLevel } from "../firing/level";
import type { RouteStep } from "../kit/kit";

/** The piece as somebody measured it: not the plan. Lengths mm, mass g. */
export interface AsMade {
	widthMm: number;
	heightMm: number;
	thickestMm: number;
	thinnestMm: number;
	massG: number | null;
	/** What differs from the kit, in the student's or instructor's words. */
	changed: string;
}

export const GLUES = ["whiteGlue", "thinnedWhiteGlue", "lacquer", "quickGlue", "none"] as const;
export type Glue = (typeof GLUES)[number];

/** Minutes until a glued piece may be moved and fired. Common practice, no source. */
export const DRY_MIN: Record<Glue, number> = {
	whiteGlue: 60,
	thinnedWhiteGlue: 24 * 60,
	lacquer: 30,
	quickGlue: 10,
	none: 0,
};

export const GLUE_WORDS: Record<Glue, string> = {
	whiteGlue: "white glue, a dot a part",
	thinnedWhiteGlue: "white glue 8 : 2 with water",
	lacquer: "lacquer hairspray",
	quickGlue: "quick glue",
	none: "laid loose",
};

export const FAULTS = [
	"heatCrack",
	"coolCrack",
	"bubble",
	"cloudy",
	"needlePoints",
	"strayGrain",
	"notJoined",
	"flat",
	"underFired",
	"stuckToShelf",
	"bent",
] as const;
export type Fault = (typeof FAULTS)[number];

/** After a firing a piece goes one of these ways. */
export const NEXT_STEPS = ["ready", "coldWork", "nextFiring", "refire", "spoiled"] as const;
export type NextStep = (typeof NEXT_STEPS)[number];

export const NEXT_STEP_WORDS: Record<NextStep, string> = {
	ready: "ready",
	coldWork: "cold work",
	nextFiring: "next firing",
	refire: "refire",
	spoiled: "spoiled",
};

/** What happened to a piece. No personal data in here: a student can be erased and the journey stays. */
export type PieceEventData =
	| { type: "issued"; route: RouteStep[] }
	| { type: "handedIn"; asMade: AsMade; glue: Glue; readyFrom: string; level: FuseLevel }
	| { type: "reglued"; glue: Glue; readyFrom: string }
	| { type: "levelled"; level: FuseLevel }
	| { type: "measured"; asMade: AsMade }
	/** The firing that comes next goes on another mould. */
	| { type: "remoulded"; mouldId: string }
	| { type: "placed"; firingId: string }
	| { type: "takenOut"; firingId: string }
	| { type: "firingStarted"; firingId: string }
	| {
			type: "judged";
			firingId: string;
			level: FuseLevel | "none";
			faults: Fault[];
			next: NextStep;
			note: string;
			/** Of a kit of loose ones, how many are good; the rest is spoiled. */
			good?: number | undefined;
	  }
	| { type: "coldWorked"; note: string }
	| { type: "shelved"; spot: string }
	| { type: "collected"; by: "owner" | "other" }
	| { type: "photographed"; photoId: string }
	| { type: "noted"; note: string }
	| { type: "undone"; undoes: number };

export type PieceEventType = PieceEventData["type"];

/** An event in a piece's own sequence, counted from 1. Times are ISO instants. */
export type PieceEvent = PieceEventData & { seq: number; at: string };
