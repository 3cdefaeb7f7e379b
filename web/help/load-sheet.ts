import type { Help } from "./help";

export const help: Help = {
	lines: [
		"One load as it lies in its kiln: shelf to scale, each piece with its code.",
		"Print it, or lay the pieces in one by one by scanning.",
		"What is confirmed here is what the kiln is said to hold.",
	],
	first: "Lay the first piece where the sheet shows it.",
};
