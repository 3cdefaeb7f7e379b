import type { Demand } from "../firing/demand";
import type { MergedDemand } from "../firing/merge";
import type { Schedule } from "../firing/schedule";
import type { DotSchool, HeatSchool, Pace } from "../firing/schools";
import type { SoakSchool } from "../glass/family";
import type { KilnBody } from "../kiln/kiln";
import type { Mould } from "../kit/mould";
import type { PieceBody } from "../piece/piece-body";
import type { Reached } from "./heat-there";
import type { Place } from "./place";
import type { KilnPlacement } from "./placement";
import type { KilnShelves } from "./tiers";
import type { Sortable } from "./tray";

/** A piece that waits, with all a load has to know of it. */
export interface WaitingPiece extends Sortable {
	/** What people call it. */
	code: string;
	/** As the firing that comes next finds it. */
	body: PieceBody;
	/** The mould it is fired on: that is what takes room. */
	mould?: Mould | undefined;
}

/** A kiln as a load asks for it: its shelves, how it heats and cools, and how hot it goes, °C. */
export interface LoadKiln extends KilnShelves {
	body: KilnBody;
	maxC: number;
}

/** How a studio fires. */
export interface LoadSchools extends Pace {
	soak: SoakSchool;
	heat?: HeatSchool;
	dots?: DotSchool;
	clearanceMm: number;
	/** Two families may lie on halves of one shelf. */
	mixFamilies?: boolean;
}

export interface LoadProposal {
	places: Place[];
	/** What it does in the middle of the lowest shelf to each family; of two the first lies on the left. */
	reached: Reached[];
	/** How many shelves the kiln is loaded with. */
	shelves: number;
	/** Ids of pieces the shelf had no room for. */
	leftIds: string[];
	schedule: Schedule;
	setBy: MergedDemand["setBy"];
	airMin: number;
	/** What each piece asks of the schedule by itself, and what all of them get. */
	needs: Record<string, Demand>;
	gets: Demand;
	/** Hours of controller time that each piece costs the load: what it would save without it. */
	costHours: Record<string, number>;
	fill: number;
	openS: number;
	kwh: number;
	flow: number;
}

/** What somebody wants of a load, beyond the pieces. */
export interface LayWish {
	/** Where pieces were put by hand; they are checked, not laid again. */
	laid?: readonly KilnPlacement[] | undefined;
	/** Orders that are tried after the usual ones. */
	passes?: number | undefined;
	/** Somebody lays them elsewhere: only the schedule is wanted, for all of them. */
	scheduleOnly?: boolean | undefined;
	/** On so many shelves they lie there. */
	shelves?: number | undefined;
}
