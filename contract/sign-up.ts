import { z } from "zod";
import { email } from "./begin";
import { id, words } from "./fields";

/** Asked for a place, waits because all were taken, or has been let in. Whoever was told no is not kept. */
export const SIGN_UP_STATES = ["asked", "waiting", "confirmed"] as const;
export type SignUpState = (typeof SIGN_UP_STATES)[number];

/** What somebody outside types to come to a course. */
export const signUpForm = z.strictObject({
	name: words("Your name", 80, 1),
	email,
	phone: words("The telephone number", 40),
	adult: words("The adult’s name", 80),
	note: words("The note", 500),
	kitIds: z.array(id).max(40, "At most 40 kits."),
});
export type SignUpForm = z.infer<typeof signUpForm>;

/** What somebody outside asked for, as the instructor sees it. */
export interface SignUpBrief {
	id: string;
	at: string;
	name: string;
	email: string;
	phone: string;
	adult: string;
	note: string;
	kits: string[];
	/** Waits for a place: all were taken when it came. */
	waiting: boolean;
	/** Who has the same e-mail in the studio's book already: they themselves, or one of their family. */
	known: Namesake[];
}

/** Somebody in the studio's book. */
export interface Namesake {
	id: string;
	name: string;
}
