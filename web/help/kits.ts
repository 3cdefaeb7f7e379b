import type { Help } from "./help";

export const help: Help = {
	lines: [
		"The projects your classes make: every kit with its layers, its thickness and how often it was issued.",
		"Open one to change it, begin one from scratch, or bring in a kit file from another studio.",
		"What was issued keeps the version it had, however you change the kit later.",
	],
	first: "Open a kit to see it laid out to scale.",
};
