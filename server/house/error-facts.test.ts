import { DrizzleQueryError } from "drizzle-orm";
import postgres from "postgres";
import { describe, expect, it } from "vitest";
import { errorFacts } from "./error-facts";

// OWASP ASVS 5.0, 16.2.5: no credentials, session tokens or personal data in logs.
const SECRET = "a-session-token";
const PostgresError = (postgres as unknown as { PostgresError: new (facts: object) => Error }).PostgresError;
const fromDatabase = (query: string) =>
	new DrizzleQueryError(
		query,
		[SECRET, "Ruth"],
		new PostgresError({ code: "23505", severity: "ERROR", message: `Key (token)=(${SECRET}) exists`, detail: SECRET }),
	);

describe("what of an error is written down", () => {
	it.each([
		['insert into "session" ("token") values ($1)', "insert into session"],
		['select "name", "email" from "user" where "id" = $1', "select from user"],
		['update "piece" set "state" = $1', "update piece"],
		['delete from "attempt" where "key" = $1', "delete from attempt"],
		["with x as (select 1) select 2", "with x"],
		["begin", "begin"],
	])("of a statement its kind and table: %s", (query, statement) => {
		const facts = errorFacts(fromDatabase(query));
		expect(facts).toEqual({ code: "23505", statement });
		expect(JSON.stringify(facts)).not.toContain(SECRET);
	});

	it("of a database that is away the code; of a fault of our own the message and where", () => {
		expect(errorFacts(Object.assign(new Error("connect"), { code: "ECONNREFUSED" })).code).toBe("ECONNREFUSED");
		const facts = errorFacts(new TypeError("x is not a function"));
		expect(facts.message).toBe("x is not a function");
		expect(facts.stack).toContain("at ");
		expect(errorFacts("a text")).toEqual({ message: "string" });
	});
});
