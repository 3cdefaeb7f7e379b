import { dayOf } from "@formats/time";
import { toDo as begin } from "../begin/models/to-do";
import { toDo as classes } from "../classes/models/to-do";
import { toDo as firings } from "../firings/models/to-do";
import type { View } from "../house/view";
import { kilnCells } from "../kilns/models/cells";
import { toDo as kilns } from "../kilns/models/to-do";
import { toDo as loads } from "../loads/models/to-do";
import { toDo as pieces } from "../pieces/models/to-do";
import { toDo as stock } from "../stock/models/to-do";

/** Who is asked what there is to do, in the order in which it is shown. */
const WORDS = [kilns, firings, classes, begin, stock, loads, pieces];

/** What to do, what the glass makes wait, what was promised: one line and one action each. */
export const today: View<"today"> = async (context) => {
	const desk = { context, day: dayOf(context.now, context.studio.timeZone), kilns: await kilnCells(context) };
	const said = await Promise.all(WORDS.map((toDo) => toDo(desk)));
	const waiting = said.flatMap((one) => one.waiting ?? []);
	return {
		doNow: said.flatMap((one) => one.doNow ?? []),
		waiting: waiting.sort((a, b) => (a.at ?? "").localeCompare(b.at ?? "")),
		promised: said.flatMap((one) => one.promised ?? []),
	};
};
