import type { ViewName } from "@contract/views";

/** Where one goes from a page that is about one thing, where it was not said which, or there is none such. */
export interface Instead {
	sentence: string;
	path: string;
	words: string;
}

const INSTEAD: Partial<Record<ViewName, Instead>> = {
	kit: { sentence: "There is no such kit here. Choose one of the studio’s.", path: "/kits", words: "Go to Kits" },
	kiln: {
		sentence: "There is no such kiln here. Choose one of the studio’s.",
		path: "/fire/kilns",
		words: "Go to the kilns",
	},
	course: {
		sentence: "There is no such class here. Choose one from the calendar.",
		path: "/classes",
		words: "Go to Classes",
	},
	loadSheet: {
		sentence: "A load sheet is about one firing. Choose it at Fire; its sheet is one press away.",
		path: "/fire",
		words: "Go to Fire",
	},
	bagLabels: {
		sentence: "Labels of bags are about one class. Choose it at Bags.",
		path: "/cut/bags",
		words: "Go to Bags",
	},
	piece: {
		sentence: "No piece here has this code. Press / on any page to look for it by its owner’s name.",
		path: "/hand-over",
		words: "Go to Hand over",
	},
	student: {
		sentence: "There is no such student here. Choose one of the list.",
		path: "/students",
		words: "Go to Students",
	},
	schedule: {
		sentence: "This names a schedule, kit, piece or firing that is not here. Begin with a new schedule.",
		path: "/fire/schedule",
		words: "Begin a schedule",
	},
};

export const insteadOf = (view: ViewName): Instead | undefined => INSTEAD[view];
