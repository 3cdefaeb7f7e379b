import type { Database } from "@db/connect";
import { tellChange } from "@db/queries/changes";

/** That somebody came, went or may no longer: pages that show it ask again, and streams of who is gone end. */
export const tellPeople = (db: Database) => tellChange(db, { topics: ["people"] });
