import type { ViewName } from "@contract/views";
import { bench, cut } from "./class";
import type { View } from "./context";
import { frame } from "./frame";
import { kilnList, kilnPage, kilnRecordView, lesson } from "./kiln-page";
import { books, frozenKit, kit, kits } from "./kits";
import { microwave } from "./microwave";
import { find, labels, pieceView } from "./piece";
import { readings } from "./running";
import { scheduleBench, schedules } from "./schedules";
import { dry, fire, handOver, load, open, proposal } from "./stations";
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
	schedules,
	schedule: scheduleBench,
	kilns: kilnList,
	kiln: kilnPage,
	kilnRecord: kilnRecordView,
	kilnLesson: lesson,
	microwave,
	open,
	handOver,
	piece: pieceView,
	find,
	labels,
};
