import { counted } from "@core/units/counted";
import { chooseSession, sessionBriefs } from "@db/queries/sessions";
import { line, type ToDo } from "../../today/models/to-do";
import { cutsToDo } from "./cuts-to-do";

/** What the next class still needs cut. */
export const toDo: ToDo = async ({ context, day }) => {
	const next = chooseSession(await sessionBriefs(context.db, day), null, day);
	const parts = next ? await cutsToDo(context, next.id) : 0;
	if (parts === 0) return {};
	return {
		doNow: [
			line({
				key: "cut",
				what: `Cut ${counted(parts, "part")}`,
				detail: "for the next class, spares counted",
				href: "/cut",
				action: "Cut",
			}),
		],
	};
};
