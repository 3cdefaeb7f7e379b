import type { Look, MicrowaveStep } from "@core/microwave/programme";
import { LOOKS } from "@core/microwave/programme";
import { z } from "zod";
import { assistant, instructor } from "./action";
import { count, id, revision, words } from "./fields";
import { seenByAssistant } from "./view";

export const microwaveSteps = z
	.array(
		z.strictObject({
			watts: count("The power", 50, 2500),
			seconds: count("The time", 1, 3600),
		}),
	)
	.min(1, "A programme has at least 1 step.")
	.max(60, "A programme has at most 60 steps.");

export const look = z.enum(LOOKS, { error: "Choose what was seen." });

export const oven = z.strictObject({
	id,
	name: words("The oven’s name", 40, 1),
	watts: z
		.array(count("A power", 50, 2500))
		.min(1, "An oven has at least 1 power.")
		.max(12, "At most 12 powers."),
});

export interface MicrowaveRunBrief {
	id: string;
	blockId: string;
	ovenId: string;
	oven: string;
	what: string;
	wanted: Look;
	fired: boolean;
	plan: MicrowaveStep[];
	steps: MicrowaveStep[];
	looks: { s: number; seen: Look; at: string }[];
	startedAt: string;
	heatedAt: string | null;
	openedAt: string | null;
	/** Opened before it could be touched. */
	early: boolean;
	outcome: Look | null;
	note: string;
}

export interface MicrowaveView {
	blocks: { id: string; name: string; uses: number }[];
	ovens: { id: string; revision: number; name: string; watts: number[]; retired: boolean }[];
	runs: MicrowaveRunBrief[];
	/** When today's class ends; null without one. */
	lessonEndsAt: string | null;
}

export const actions = {
	saveOven: instructor
		.asks(z.strictObject({ oven, revision }))
		.touches("microwave")
		.answers<{ ovenId: string; revision: number }>(),
	startMicrowave: assistant
		.asks(
			z.strictObject({
				runId: id,
				blockId: id,
				ovenId: id,
				what: words("What it is", 120),
				wanted: look,
				fired: z.boolean(),
				plan: microwaveSteps,
			}),
		)
		.touches("microwave")
		.answers<{ runId: string }>(),
	lookMicrowave: assistant
		.asks(z.strictObject({ lookId: id, runId: id, s: count("The time", 0, 36_000), seen: look }))
		.touches("microwave")
		.answers<{ looks: number }>(),
	endMicrowave: assistant
		.asks(z.strictObject({ runId: id, steps: microwaveSteps }))
		.touches("microwave", "kilns")
		.answers<{ runId: string }>(),
	openMicrowave: assistant
		.asks(
			z.strictObject({
				runId: id,
				outcome: look,
				note: words("The note", 300),
				/** It could be touched: then how long it stood closed is a measure. */
				cool: z.boolean().optional(),
			}),
		)
		.touches("microwave")
		.answers<{ coolingMin: number }>(),
};

export const views = {
	microwave: seenByAssistant.given({}).of("microwave", "kilns", "classes").shows<MicrowaveView>(),
};
