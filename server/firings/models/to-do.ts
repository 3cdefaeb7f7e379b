import { counted } from "@core/units/counted";
import { countUnjudged } from "@db/queries/firings";
import { line, type ToDo } from "../../today/models/to-do";

/** What came out and was not looked at; a kiln that waits to be opened says so itself. */
export const toDo: ToDo = async ({ context, kilns }) => {
	if (kilns.some(({ state }) => state === "canOpen" || state === "toRead")) return {};
	const unjudged = await countUnjudged(context.db);
	if (unjudged === 0) return {};
	return {
		doNow: [
			line({
				key: "judge",
				what: `Judge ${counted(unjudged, "piece")}`,
				detail: "out of the kiln, not looked at yet",
				href: "/open",
				action: "Judge",
			}),
		],
	};
};
