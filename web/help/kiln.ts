import type { Help } from "./help";

export const help: Help = {
	lines: [
		"One kiln: what it is doing, its shelf, its heat, its record.",
		"Set what it is, connect its controller, learn its heat from a firing, note its upkeep.",
		"Every load and every schedule goes by what stands here.",
	],
	first: "See that its shelf and its hottest temperature are right.",
};
