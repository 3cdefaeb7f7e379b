import { z } from "zod";
import { email } from "./begin";
import { id, words } from "./fields";

/** Asked for a place, waits because all were taken, has one, or was told no. */
export const SIGN_UP_STATES = ["asked", "waiting", "confirmed", "declined"] as const;
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
