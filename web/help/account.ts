import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Your password, your second factor and where you are signed in.",
		"Change your password, set up a code by a device, end a session you do not know.",
		"Codes you wrote down let you in when the device is lost.",
	],
	first: "See where you are signed in.",
};
