import type { Help } from "./help";

export const help: Help = {
	lines: [
		"The cut list of a class: every part, counted with spares, gathered by glass.",
		"Tick what is cut, or let a plan lay the parts on your sheets and offcuts.",
		"What is left of a sheet goes back into stock with its size.",
	],
	first: "Tick a line when its parts are cut.",
};
