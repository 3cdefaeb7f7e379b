import { z } from "zod";
import { instructor } from "./action";
import { words } from "./fields";

/** What is put away when it is no longer wanted, and struck out where nothing was ever made of it. */
export const KEPT_THINGS = ["kit", "schedule", "kiln", "oven", "glass", "mould", "sample", "course", "stock"] as const;
export type KeptThing = (typeof KEPT_THINGS)[number];

const which = {
	what: z.enum(KEPT_THINGS, { error: "This is nothing that is put away." }),
	id: words("Its id", 40, 1),
};

export const actions = {
	/** Put away it is offered for nothing new; what was made of it goes on knowing it. */
	putAway: instructor
		.asks(z.strictObject({ ...which, retired: z.boolean({ error: "Say whether it is put away." }) }))
		.touches("kits", "schedules", "kilns", "alarms", "microwave", "glass", "classes", "stock")
		.answers<{ retired: boolean }>(),
	/** Out of the book, as if it had never been written; refused where anything refers to it. */
	strikeOut: instructor
		.asks(z.strictObject(which))
		.touches("kits", "schedules", "kilns", "microwave", "glass", "classes", "stock")
		.answers<{ id: string }>(),
};
