import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Who may sign in, and as what.",
		"Invite somebody by an address that works once; end their sessions; read what was done.",
		"An assistant sees no money and deletes nothing.",
	],
	first: "Invite whoever helps you.",
};
