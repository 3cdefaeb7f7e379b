import { loadGlass } from "@db/queries/glass";
import type { ViewContext } from "../../house/view";

/** The glass book as this person may see it: prices are for instructors. */
export const booksFor = ({ db, actor }: ViewContext) => loadGlass(db, { prices: actor.role === "instructor" });

export const currencyFor = ({ studio, actor }: ViewContext) => (actor.role === "instructor" ? studio.currency : null);
