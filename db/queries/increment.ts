import { type SQL, sql } from "drizzle-orm";
import type { PgColumn } from "drizzle-orm/pg-core";

/** One more than it is: counted by the database, so that two at once count twice. */
export const increment = (column: PgColumn): SQL => sql`${column} + 1`;
