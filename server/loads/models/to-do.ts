import { counted } from "@core/units/counted";
import { countByState } from "@db/queries/pieces";
import { line, type ToDo } from "../../today/models/to-do";

/** What waits for a kiln and is dry. */
export const toDo: ToDo = async ({ context: { db, now } }) => {
	const states = await countByState(db, now);
	const dry = states.find(({ state, wet }) => state === "queued" && !wet)?.pieces ?? 0;
	if (dry === 0) return {};
	return {
		doNow: [
			line({
				key: "load",
				what: `Load ${counted(dry, "piece")}`,
				detail: "dry and sorted into trays",
				href: "/load",
				action: "Propose a load",
			}),
		],
	};
};
