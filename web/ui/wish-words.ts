import type { Wish } from "@core/loading/plan/wishes";

/** What a plan is wished to do, in plain words. */
export const WISH_WORDS: Record<Wish, { short: string; long: string; more: string }> = {
	promises: {
		short: "promises",
		long: "Promised days are kept",
		more: "A late piece costs a firing, a longer anneal, a class torn apart before it costs a promise.",
	},
	together: {
		short: "classes together",
		long: "A class comes out together",
		more: "Its pieces share a load, so that they are alike and go home on one day.",
	},
	firings: {
		short: "few firings",
		long: "Few firings, full shelves",
		more: "Saves power, elements and the ways to the kiln; pieces wait until a shelf is full.",
	},
	gentle: {
		short: "no longer annealed than needed",
		long: "No piece is annealed longer than it needs",
		more: "Thin work does not lie through a thick piece’s cooling. Harmless to the glass: it costs hours and power.",
	},
	soon: { short: "soon home", long: "Everything is home soon", more: "Also what nobody was promised a day for." },
};
