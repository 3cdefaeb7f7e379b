import type { Help } from "./help";

export const help: Help = {
	lines: [
		"One kit to scale: parts of glass on layers, from the shelf up.",
		"Lay parts and drag them; the right side says at once what fuses, what cracks and what it costs.",
		"Save it, and it can be planned for a class.",
	],
	first: "Lay a first part, or drag one that is there.",
	keys: [
		["A", "lay a part"],
		["← → ↑ ↓", "nudge; with Shift further, with Alt less"],
		["[ ]", "a layer down, a layer up"],
		["R", "turn by 15°, with Shift the other way"],
		["Delete", "take away"],
		["Ctrl+D", "the same again, beside it"],
		["Ctrl+C, Ctrl+V", "copy, and lay here or in another kit"],
		["Ctrl+A, Esc", "choose all, choose none"],
		["Ctrl+Z, Ctrl+Shift+Z", "undo, redo"],
		["Ctrl+S", "save"],
	],
};
