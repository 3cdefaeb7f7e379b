import type { Help } from "./help";

export const help: Help = {
	lines: [
		"All kilns over two weeks: what is planned, and a proposal for what waits.",
		"Drag a firing to another hour or kiln; a plan that keeps the most promises is searched while you look.",
		"Accept it, and each load is planned at its kiln.",
	],
	first: "Look at what is proposed for the pieces that wait.",
	keys: [
		["← →", "the chosen firing an hour earlier or later"],
		["↑ ↓", "to another kiln"],
		["Enter, Esc", "leave it there, put it back"],
	],
};
