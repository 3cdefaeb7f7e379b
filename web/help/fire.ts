import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Every firing: planned, running and cooling, with its curve.",
		"Start one, watch it, and steer it where your kiln allows that.",
		"It is opened at Open, once it is cool enough.",
	],
	first: "Choose a firing on the left.",
};
