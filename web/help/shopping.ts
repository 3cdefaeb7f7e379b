import type { Help } from "./help";

export const help: Help = {
	lines: [
		"What the coming classes need beyond what is on the rack.",
		"Choose the classes; sheets are counted by what can be laid on them.",
		"Print it, or take it away as a table.",
	],
	first: "Choose the classes you buy for.",
};
