import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Pieces whose glue is still wet, and when each is dry.",
		"Nothing here may be loaded; print labels while you wait.",
		"When its time has come a piece moves on to Load by itself.",
	],
	first: "Nothing to press: look when the next one is dry.",
};
