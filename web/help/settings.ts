import type { Help } from "./help";

export const help: Help = {
	lines: [
		"How this studio does things: units, clearances, customs, pickup shelf.",
		"Change what differs in your room; what is common practice is filled in.",
		"Every view goes by it from then on.",
	],
	first: "See that units and time zone are yours.",
};
