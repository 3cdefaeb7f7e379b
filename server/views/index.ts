import type { ViewName } from "@contract/views";
import { bench, cut } from "./class";
import type { View } from "./context";
import { frame } from "./frame";
import { books, frozenKit, kit, kits } from "./kits";
import { find, labels, pieceView } from "./piece";
import { dry, fire, handOver, load, open, proposal, readings } from "./stations";
import { today } from "./today";

/** Everything the studio can be asked to show. */
export const views: { [N in ViewName]: View<N> } = {
	frame,
	today,
	kits,
	kit,
	kitVersion: frozenKit,
	books,
	cut,
	bench,
	dry,
	load,
	proposal,
	fire,
	readings,
	open,
	handOver,
	piece: pieceView,
	find,
	labels,
};
