import { sql } from "drizzle-orm";
import { boolean, check, customType, integer, type PgColumn, timestamp } from "drizzle-orm/pg-core";

export const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });

export const bytes = customType<{ data: Buffer }>({ dataType: () => "bytea" });

/** Raised by every save of what a person typed: who saves on an older one is told. */
export const revision = () => integer("revision").notNull().default(1);

/** Put away: shown where it was used, offered nowhere. */
export const retired = () => boolean("retired").notNull().default(false);

/** A column of a few known words; the database refuses any other. A new word is a migration. */
export const oneOf = (name: string, column: PgColumn, words: readonly string[]) =>
	check(name, sql`${column} in (${sql.raw(words.map((word) => `'${word}'`).join(", "))})`);
