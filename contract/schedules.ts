import type { ScheduleDocument } from "@core/firing/document";
import type { FuseLevel } from "@core/firing/level";
import type { Schools } from "@core/firing/schools";
import type { GlassFamily } from "@core/glass/family";
import type { Mould } from "@core/kit/mould";
import { z } from "zod";
import { instructor } from "./action";
import { scheduleDocument, schools } from "./documents/schedule";
import { id, revision, words } from "./fields";
import type { FiringCard } from "./firings";
import type { KilnCard } from "./kilns";
import { optionalId, seenByAssistant } from "./view";

export interface ScheduleBrief {
	id: string;
	revision: number;
	document: ScheduleDocument;
	/** Put away: offered for nothing new. */
	retired: boolean;
}

/** What of it was fired. */
export interface ScheduleVersion {
	version: number;
	frozenAt: string;
	firings: number;
	document: ScheduleDocument;
}

export interface SchedulesView {
	schedules: ScheduleBrief[];
	schools: Schools & { revision: number };
	families: GlassFamily[];
	kits: { id: string; name: string }[];
	pieces: { code: string; student: string | null; kit: string | null; level: FuseLevel }[];
	firings: { id: string; number: number; kiln: string; level: FuseLevel }[];
}

export interface ScheduleView {
	schedule: (ScheduleBrief & { versions: ScheduleVersion[] }) | null;
	/** Of the studio's schools, for who saves them from here. */
	schoolsRevision: number;
	/** What the bench opens with. */
	document: ScheduleDocument;
	/** In words: a kept schedule, a kit, a piece, a planned firing, or nothing. */
	from: string;
	kilnId: string | null;
	kilns: KilnCard[];
	families: GlassFamily[];
	moulds: Mould[];
	others: { id: string; document: ScheduleDocument; retired: boolean }[];
	/** The planned firing it would be for. */
	firing: { id: string; number: number; heat: FiringCard["heat"] } | null;
}

export const actions = {
	saveSchedule: instructor
		.asks(z.strictObject({ scheduleId: id, revision, document: scheduleDocument }))
		.touches("schedules")
		.answers<{ scheduleId: string; revision: number }>(),
	saveSchools: instructor
		.asks(z.strictObject({ schools, revision: revision.min(1, "The studio is there already.") }))
		.touches("studio")
		.answers<{ revision: number }>(),
	planFiring: instructor
		.asks(
			z.strictObject({
				firingId: id,
				kilnId: id,
				scheduleId: id.nullable(),
				document: scheduleDocument,
				what: words("What it is for", 120, 1),
			}),
		)
		.touches("firings", "schedules")
		.answers<{ firingId: string; number: number }>(),
	reschedule: instructor
		.asks(z.strictObject({ firingId: id, scheduleId: id.nullable(), document: scheduleDocument }))
		.touches("firings", "schedules")
		.answers<{ firingId: string }>(),
};

export const views = {
	schedules: seenByAssistant
		.given({})
		.of("schedules", "studio", "glass", "kits", "pieces", "people", "firings", "kilns")
		.shows<SchedulesView>(),
	/** The bench with one schedule: kept, or made for a kit, a piece or a planned firing. */
	schedule: seenByAssistant
		.given({
			id: optionalId,
			kiln: optionalId,
			kit: optionalId,
			piece: words("The piece", 40).optional(),
			firing: optionalId,
		})
		.of("schedules", "studio", "glass", "kits", "pieces", "people", "loads", "firings", "kilns", "stock")
		.shows<ScheduleView>(),
};
