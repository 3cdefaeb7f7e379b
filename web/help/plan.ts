import type { Help } from "./help";

export const help: Help = {
	lines: [
		"All kilns over two weeks: what is announced, and a plan for what waits.",
		"Drag a firing to another day or kiln; what keeps fewest promises waiting is offered.",
		"Accept it, and each load is announced as it was planned.",
	],
	first: "Press Plan, and look at what it would do.",
	keys: [
		["← →", "move the chosen firing by an hour; with Shift by a day"],
		["↑ ↓", "to another kiln"],
		["Enter, Esc", "leave it there, put it back"],
	],
};
