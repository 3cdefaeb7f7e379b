import type { Help } from "./help";

export const help: Help = {
	lines: [
		"All classes by month, by week or as a list.",
		"Add a class, move it, call an evening off; share the calendar by an address.",
		"Cutting, bags and promises go by these days.",
	],
	first: "Add your next class.",
};
