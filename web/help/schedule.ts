import type { Help } from "./help";

export const help: Help = {
	lines: [
		"One schedule as a curve and as a table.",
		"Drag a point or type a figure; what the glass makes of it stands beside it.",
		"Keep it under a name, or give it to a planned firing.",
	],
	first: "Drag a point of the curve and see what changes.",
	keys: [
		["arrows on a point", "move it by 1 degree or 5 min; with Shift by 10 degrees"],
		["Ctrl+Z, Ctrl+Shift+Z", "undo, redo"],
		["Ctrl+S", "save"],
	],
};
