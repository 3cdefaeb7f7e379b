import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Finished pieces: to grind, to put on the shelf, to be collected.",
		"Choose a spot for each; find somebody’s pieces by name or by scanning.",
		"What is collected has left the studio.",
	],
	first: "Put the first piece on the shelf.",
};
