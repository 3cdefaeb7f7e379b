import type { Help } from "./help";

export const help: Help = {
	lines: [
		"What a studio needs before its first class: kilns, glass, moulds, a class.",
		"One page each, about ten minutes in all; everything can be changed later.",
		"When all four are done this page is gone from Today.",
	],
	first: "Write down your first kiln.",
};
