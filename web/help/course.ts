import type { Help } from "./help";

export const help: Help = {
	lines: [
		"One class: who comes, which evening, which kit.",
		"Add students, mark who came, answer sign-ups, move an evening.",
		"What is promised for it moves along.",
	],
	first: "Add the first students.",
};
