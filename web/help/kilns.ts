import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Your kilns: size, how hot they get, what measures them.",
		"Open one to set its shelf, its line, its upkeep and when it is out of service.",
		"Every load and every schedule goes by what stands here.",
	],
	first: "Write your first kiln down.",
};
