import type { Help } from "./help";

export const help: Help = {
	lines: [
		"What the studio knows: glass and its families, moulds, samples.",
		"Write down what you have, or bring in a list; put away what you no longer use.",
		"Kits, loads and schedules go by what stands here.",
	],
	first: "Add the glass you use most.",
};
