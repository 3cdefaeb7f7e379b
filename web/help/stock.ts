import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Sheets, offcuts, frit and threads on the rack, with size and price.",
		"Count what is there, note what was used or came in; offcuts come from cutting by themselves.",
		"Cutting plans take offcuts first.",
	],
	first: "Write down the first sheet that you have.",
};
