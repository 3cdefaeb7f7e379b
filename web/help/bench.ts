import type { Help } from "./help";

export const help: Help = {
	lines: [
		"The class at work: who is here, which kit they have, what was handed in.",
		"Issue kits, note the safety talk, and hand in each piece as it was made.",
		"A piece handed in has a code and a label, and goes to dry.",
	],
	first: "Choose today’s class, then issue its kits.",
};
