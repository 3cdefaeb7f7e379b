import type { Help } from "./help";

export const help: Help = {
	lines: [
		"What needs a person now, what the glass makes you wait for, and what was promised for when.",
		"Each line has one button, which takes you to where it is done.",
		"Late is red, at risk is amber; a line that only waits has a time beside it.",
	],
	first: "Start at the top of the left column and press its button.",
};
