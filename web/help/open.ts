import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Kilns that may be opened, and pieces that came out and wait to be judged.",
		"Open the kiln, then judge each piece: what it became and where it goes next.",
		"Good ones go to the shelf, others to cold work, another firing or a new kit.",
	],
	first: "Open the first kiln, or judge the first piece.",
};
