import { z } from "zod";
import { assistant } from "./action";

/** Least first: a person may do all that lesser roles may. */
export const ROLES = ["assistant", "instructor"] as const;
export type Role = (typeof ROLES)[number];

/** Whether somebody of a role may do what asks for at least `least`. Nobody, and a role we do not know, may do nothing. */
export function mayAs(role: string | null | undefined, least: Role): boolean {
	const rank = (ROLES as readonly (string | null | undefined)[]).indexOf(role);
	return rank >= 0 && rank >= ROLES.indexOf(least);
}

const password = z
	.string()
	.min(10, "A password needs at least 10 characters.")
	.max(128, "A password has at most 128 characters.");

export const actions = {
	changePassword: assistant
		.asks(z.strictObject({ current: z.string().min(1, "Type the present password.").max(128), next: password }))
		.touches("people")
		.answers<{ changed: true }>(),
};
