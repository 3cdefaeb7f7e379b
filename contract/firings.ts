import type { FiringCost } from "@core/cost/firing-cost";
import type { FallsShort } from "@core/firing/falls-short";
import type { FuseLevel } from "@core/firing/level";
import type { OpenNow } from "@core/firing/may-open";
import type { MergedDemand } from "@core/firing/merge";
import type { Schedule } from "@core/firing/schedule";
import type { GlassFamily } from "@core/glass/family";
import type { Fault, NextStep } from "@core/journey/events";
import type { CutVerdict } from "@core/kiln/after-cut";
import type { ControllerState } from "@core/kiln/controller";
import type { KilnHeat } from "@core/kiln/heat";
import type { LineStatus } from "@core/kiln/line-status";
import type { Distrust } from "@core/kiln/sensor";
import type { LoadHeat } from "@core/loading/load-heat";
import type { Place } from "@core/loading/place";
import { z } from "zod";
import { assistant } from "./action";
import { displayReading } from "./documents/kiln";
import { count, fault, id, level, nextStep, words } from "./fields";
import type { AlarmBrief, KilnCard } from "./kilns";
import type { Pictures } from "./kits";
import type { PieceBrief } from "./pieces";
import { pieceStep } from "./pieces";
import { optionalId, seenByAssistant } from "./view";

export interface FiringPiece extends PieceBrief {
	place: Place;
	costHours: number;
	expectedLevel: FuseLevel;
	judgedLevel: FuseLevel | "none" | null;
	faults: Fault[];
	next: NextStep | null;
}

/** What the studio's hours say of a firing. */
export interface HouseHours {
	/** When somebody is there to open it; null where nobody ever is. */
	openThere: string | null;
	/** Sentences about quiet hours, hours with nobody there. */
	warnings: string[];
}

export interface FiringCard {
	id: string;
	number: number;
	state: "planned" | "running" | "opened" | "cancelled";
	kiln: KilnCard;
	family: GlassFamily;
	/** On the other half of the shelf, in a load of two. The left half is of the one whose name comes first. */
	otherFamily: GlassFamily | null;
	level: FuseLevel;
	schedule: Schedule;
	setBy: MergedDemand["setBy"];
	airMin: number;
	plannedAt: string;
	/** When it is to be started; null: as soon as the kiln is free. */
	startsAt: string | null;
	startedAt: string | null;
	speedUp: number;
	openAt: string | null;
	openS: number;
	/** Of a planned firing as if it were started now; of a running one from its start. */
	house: HouseHours;
	/** What it costs; null for who may not see money. */
	cost: FiringCost | null;
	/** As corrected while it runs; null until something could be said. */
	predictedEndS: number | null;
	predictedOpenS: number | null;
	kwh: number;
	flow: number;
	/** Pieces by their code that its schedule soaks for less, or heats faster, than their figures of today bear; of one that is planned or hot. */
	short: FallsShort[];
	/** What lies in it: thickest glass (mm), heat of shelf and glass (J/K), glass on moulds. */
	heat: LoadHeat;
	/** What a bare firing is for. */
	what: string;
	/** Parts that are fired beside the pieces, or alone: so many of a glass, so large. */
	lots: { id: string; count: number; name: string; sizeMm: number | null }[];
	note: string;
	scheduleName: string | null;
	pieces: FiringPiece[];
}

export interface FireView {
	firings: FiringCard[];
}

/** A measured point; null leaves a gap. */
export interface MeasuredPoint {
	s: number;
	c: number | null;
}

/** A firing as it runs: what was measured, where its controller is, what was noted and what went wrong. */
export interface ReadingsView {
	firingId: string;
	points: MeasuredPoint[];
	flowSoFar: number;
	latest: {
		at: string;
		airC: number | null;
		setC: number | null;
		duty: number | null;
		kwh: number | null;
		segment: number | null;
		elapsedS: number | null;
		status: LineStatus | null;
	} | null;
	/** Where a simulation of the rest begins; null where nothing can be said. */
	controller: ControllerState | null;
	notes: { id: string; at: string; elapsedS: number | null; text: string; by: string | null }[];
	alarms: AlarmBrief[];
	cut: CutVerdict | null;
	/** Stretches in which what was measured is not believed. */
	distrust: Distrust[];
	/** How hot the kiln is now, and how that is known; null once it is opened. */
	kilnHeat: KilnHeat | null;
}

export interface OpenView {
	firings: (FiringCard & { kilnHeat: KilnHeat; opening: OpenNow })[];
	pictures: Pictures;
}

export const actions = {
	startFiring: assistant
		.asks(
			z.strictObject({
				firingId: id,
				speedUp: z.union([z.literal(1), z.literal(60), z.literal(600), z.literal(3600)], { error: "Choose a clock." }),
				somebodyThere: z.literal(true, { error: "Somebody has to be at the kiln when it starts." }),
			}),
		)
		.touches("firings", "pieces", "kilns")
		.answers<{ startedAt: string }>(),
	openFiring: assistant
		.asks(
			z.strictObject({
				firingId: id,
				earlyReason: words("The reason", 300),
				/** Read off the kiln’s display just now, where its line does not measure it. */
				display: displayReading.optional(),
				/** Who opens a hot kiln with whoever asks, where the studio wants two. */
				second: z
					.strictObject({
						email: words("The e-mail", 200, 1),
						password: z.string().max(200),
						code: words("The code", 40).optional(),
					})
					.optional(),
			}),
		)
		.touches("firings", "alarms", "glass")
		.answers<{ firingId: string }>(),
	judge: assistant
		.asks(
			z.strictObject({
				...pieceStep,
				firingId: id,
				level: z.union([level, z.literal("none")], { error: "Choose the level it reached." }),
				faults: z.array(fault).max(11, "At most 11 faults."),
				next: nextStep,
				note: words("The note", 500),
				/** Of a kit of loose ones: how many are good. */
				good: count("How many are good", 0, 2000).optional(),
			}),
		)
		.touches("pieces", "loads")
		.answers<{ state: string }>(),
	noteFiring: assistant
		.asks(z.strictObject({ noteId: id, firingId: id, text: words("The note", 300, 1) }))
		.touches("firings")
		.answers<{ noteId: string }>(),
};

export const views = {
	fire: seenByAssistant
		.given({ firing: optionalId })
		.of("firings", "loads", "pieces", "people", "kits", "glass", "kilns", "schedules", "stock")
		.shows<FireView>(),
	/** A firing as it runs. */
	readings: seenByAssistant
		.given({ firing: id })
		.of("firings", "loads", "pieces", "kits", "glass", "kilns", "readings", "alarms", "people", "live")
		.shows<ReadingsView>(),
	open: seenByAssistant
		.given({})
		.of("firings", "loads", "pieces", "people", "kits", "glass", "kilns", "stock", "readings", "alarms", "live")
		.shows<OpenView>(),
};
