import { countClasses } from "@db/queries/sessions";
import { line, type ToDo } from "../../today/models/to-do";

/** A studio that is not written down yet. */
export const toDo: ToDo = async ({ context: { db, studio, role }, kilns }) => {
	if (role !== "instructor" || studio.isDemo) return {};
	if (kilns.length > 0 && (await countClasses(db)) > 0) return {};
	return {
		doNow: [
			line({
				key: "first",
				what: "Write your studio down",
				detail: "kilns, glass, a first class: ten minutes",
				href: "/first-steps",
				action: "First steps",
			}),
		],
	};
};
