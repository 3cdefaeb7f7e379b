import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Everybody who makes pieces here, with how to reach them.",
		"Find one by name; see all their pieces and classes.",
		"Somebody can be erased: their pieces stay, without a name.",
	],
	first: "Choose a student to see their pieces.",
};
