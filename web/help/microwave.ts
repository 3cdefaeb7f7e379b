import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Small work in a microwave kiln: block, oven and steps.",
		"Choose the block and what lies in it; the steps are timed and counted here.",
		"It cools closed, and is opened when its time is over.",
	],
	first: "Choose a block and what lies in it.",
};
