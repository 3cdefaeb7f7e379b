import { z } from "zod";
import { assistant } from "./action";
import { day, id, isDistinct } from "./fields";
import type { GlassBookView } from "./glass";
import type { KitBrief } from "./kits";
import type { PieceBrief } from "./pieces";
import { optionalId, seenByAssistant } from "./view";

export interface SessionBrief {
	id: string;
	title: string;
	day: string;
	startsAt: string;
	endsAt: string;
	promisedDay: string | null;
	students: number;
	isToday: boolean;
}

export interface Seat {
	studentId: string;
	name: string;
	seat: number;
	safetySigned: boolean;
	/** Kits they chose when they signed up. */
	chose: string[];
	pieces: PieceBrief[];
}

export interface BenchView extends GlassBookView {
	sessions: SessionBrief[];
	session: SessionBrief | null;
	seats: Seat[];
	kits: KitBrief[];
}

export const actions = {
	signSafety: assistant
		.asks(z.strictObject({ sessionId: id, studentIds: z.array(id).min(1, "Choose at least 1 student.").max(60) }))
		.touches("classes")
		.answers<{ signed: number }>(),
	issueKits: assistant
		.asks(
			z.strictObject({
				sessionId: id,
				kitId: id,
				promisedDay: day.nullable(),
				issues: z
					.array(z.strictObject({ pieceId: id, eventId: id, studentId: id }))
					.min(1, "Choose at least 1 student.")
					.max(60, "At most 60 kits at once.")
					.refine(
						(all) => isDistinct(all.flatMap(({ pieceId, eventId }) => [pieceId, eventId])),
						"An id stands here twice.",
					),
			}),
		)
		.touches("pieces", "kits", "studio")
		.answers<{ codes: string[] }>(),
};

export const views = {
	bench: seenByAssistant
		.given({ session: optionalId })
		.of("classes", "kits", "pieces", "glass", "people", "firings")
		.shows<BenchView>(),
};
