import { loadGlass } from "@db/queries/glass";
import type { ViewContext } from "../../house/view";

/** The glass book as this person may see it: prices are for instructors. */
export const booksFor = ({ db, role }: ViewContext) => loadGlass(db, { prices: role === "instructor" });

export const currencyFor = ({ studio, role }: ViewContext) => (role === "instructor" ? studio.currency : null);
