import { randomBytes } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import PgBoss from "pg-boss";
import type { Sql } from "postgres";
import { connect } from "../db/connect";
import { QUEUE_SCHEMA } from "../server/jobs/queue-schema";

/** What the running application may be in its database: it reads and writes rows and changes no table. */
export const PLAIN_ROLE = "zephyr";
/** Reads everything and makes databases of its own, to prove that a copy can be read back. */
export const COPY_ROLE = "zephyr_copy";

interface Passwords {
	plain: string;
	copy: string;
}

/** The roles' passwords, made at the first start, readable by the owner of the folder only. */
export function rolePasswords(folder: string): Passwords {
	const file = join(folder, "roles.json");
	if (!existsSync(file)) {
		const secret = () => randomBytes(24).toString("base64url");
		writeFileSync(file, JSON.stringify({ plain: secret(), copy: secret() } satisfies Passwords), { mode: 0o600 });
	}
	return JSON.parse(readFileSync(file, "utf8"));
}

/** An address of the same database for somebody else. */
export function asRole(url: string, role: string, password: string): string {
	const other = new URL(url);
	other.username = role;
	other.password = password;
	return other.href;
}

/**
 * Makes the two roles and gives them what they need in a database whose tables are there: after every migration, for a table
 * that came with one belongs to its owner alone. What happened (`audit`, `stock_record`) is only ever added to.
 */
export async function grantRoles(ownerUrl: string, { plain, copy }: Passwords): Promise<void> {
	const { sql, close } = connect(ownerUrl, 1);
	try {
		for (const role of [PLAIN_ROLE, COPY_ROLE])
			await sql.unsafe(
				`do $$ begin create role ${role} login; exception when duplicate_object or unique_violation then null; end $$`,
			);
		await sql.unsafe(`alter role ${PLAIN_ROLE} nosuperuser nocreatedb nocreaterole password ${quoted(plain)}`);
		await sql.unsafe(`alter role ${COPY_ROLE} nosuperuser createdb nocreaterole password ${quoted(copy)}`);
		await sql.unsafe(`grant pg_read_all_data to ${COPY_ROLE}`);
		await makeQueue(sql);
		await sql.unsafe(`grant usage on schema public to ${PLAIN_ROLE}`);
		await sql.unsafe(`grant select, insert, update, delete on all tables in schema public to ${PLAIN_ROLE}`);
		await sql.unsafe(`grant usage, select, update on all sequences in schema public to ${PLAIN_ROLE}`);
		await sql.unsafe(`revoke update, delete on audit, stock_record from ${PLAIN_ROLE}`);
	} finally {
		await close();
	}
}

/**
 * The queue's own tables, made anew in the plain role's name, which may make no schema itself. What was in them is asked for again
 * when the queue starts.
 */
async function makeQueue(sql: Sql): Promise<void> {
	const [database] = await sql`select format('%I', current_database()) as name`;
	await sql.unsafe(`drop schema if exists ${QUEUE_SCHEMA} cascade`);
	await sql.unsafe(`grant create on database ${database?.name} to ${PLAIN_ROLE}`);
	await sql.unsafe(`set role ${PLAIN_ROLE}`);
	await sql.unsafe(PgBoss.getConstructionPlans(QUEUE_SCHEMA));
	await sql.unsafe("reset role");
	await sql.unsafe(`revoke create on database ${database?.name} from ${PLAIN_ROLE}`);
}

const quoted = (text: string): string => `'${text.replaceAll("'", "''")}'`;
