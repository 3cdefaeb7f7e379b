import type { Help } from "./help";

export const help: Help = {
	lines: [
		"One piece’s whole way: every step, who did it and when.",
		"Change its fuse level, swap tags, take a step back, add a photo.",
		"What was a mistake is undone by a step of its own; nothing is lost.",
	],
	first: "Read its way from the top.",
};
