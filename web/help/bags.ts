import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Every student’s bag of parts for one class, and what is still missing from it.",
		"Pack line by line, or by scanning; lots of dots and grains are made here too.",
		"A full bag has a label, and is handed out at the bench.",
	],
	first: "Choose a class, then pack its first bag.",
};
