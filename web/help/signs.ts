import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Every sign and colour this application uses, with its meaning.",
		"Nothing here is somebody’s work: press whatever you like.",
		"The same signs mean the same everywhere.",
	],
	first: "Look at how heat is shown.",
};
