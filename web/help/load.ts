import type { Help } from "./help";

export const help: Help = {
	lines: [
		"Pieces that wait for a kiln, sorted into trays by family and fuse level.",
		"Choose pieces and a kiln; the shelf is laid for you, and you may move what you like.",
		"Accept it, and it has a schedule and a place at Fire.",
	],
	first: "Choose a tray, then a kiln.",
	keys: [
		["← → ↑ ↓", "move the chosen piece; with Shift further"],
		["R", "turn it, with Shift the other way"],
		["P", "pin it where it lies"],
		["Delete", "take it out of the load"],
		["Ctrl+Z, Ctrl+Shift+Z", "undo, redo"],
	],
};
