import { execFile } from "node:child_process";
import { createHash, randomUUID } from "node:crypto";
import { chmodSync, createReadStream, mkdirSync, readdirSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { promisify } from "node:util";
import { connect } from "@db/connect";
import { type Contents, contentsOf, differences } from "@db/queries/contents";
import { QUEUE_SCHEMA } from "./queue-schema";

const run = promisify(execFile);

/** Copies that are kept; the oldest goes when another is made. */
const KEPT = 14;

export interface CopyPlace {
	/** Of a role that reads everything and may make databases. */
	url: string;
	/** Folder of pg_dump and pg_restore. */
	programs: string;
	/** Where copies lie. */
	folder: string;
}

/** What stands beside a copy: what is in it, to compare with when it is read back. */
export interface CopyNote {
	madeAt: string;
	/** Number of the newest migration in it. */
	schema: number;
	sha256: string;
	contents: Contents;
}

export const noteOf = (copy: string) => `${copy}.json`;

/**
 * Copies the whole book, photos and all, into one file, reads it back into a database made for that, and compares every table's
 * rows with what the book held at that moment. Returns the file.
 * @param label stands in the name: "night", "by-hand", "before-migration"
 * @throws Error where the copy is not the same; nothing of it is left then
 */
export async function copyBook({ url, programs, folder }: CopyPlace, label: string, now = new Date()): Promise<string> {
	mkdirSync(folder, { recursive: true });
	const copy = join(folder, `${now.toISOString().slice(0, 19).replaceAll(":", "-")}-${label}.dump`);
	const unfinished = `${copy}.unfinished`;
	const book = connect(url, 1);
	try {
		const held = await book.sql.begin("isolation level repeatable read read only", async (sql) => {
			const [{ snapshot } = { snapshot: "" }] = await sql`select pg_export_snapshot() as snapshot`;
			const args = ["--format=custom", "--no-owner", "--no-privileges", `--exclude-schema=${QUEUE_SCHEMA}`];
			await pg(programs, "pg_dump", url, [...args, `--snapshot=${snapshot}`, `--file=${unfinished}`]);
			return contentsOf(sql);
		});
		await proven({ url, programs }, unfinished, held.contents);
		const note: CopyNote = { madeAt: now.toISOString(), sha256: await hashOf(unfinished), ...held };
		writeFileSync(noteOf(copy), JSON.stringify(note), { mode: 0o600 });
		chmodSync(unfinished, 0o600);
		renameSync(unfinished, copy);
	} finally {
		rmSync(unfinished, { force: true });
		await book.close();
	}
	keepNewest(folder, label);
	return copy;
}

/** Reads a copy into a database made for that, compares, and throws it away. */
export async function proven(
	{ url, programs }: Omit<CopyPlace, "folder">,
	copy: string,
	held: Contents,
): Promise<void> {
	const name = `zephyr_proof_${randomUUID().slice(0, 8)}`;
	const admin = connect(url, 1);
	try {
		await admin.sql.unsafe(`create database ${name} template template0`);
		await readInto({ url: inDatabase(url, name), programs }, copy, held);
	} finally {
		await admin.sql.unsafe(`drop database if exists ${name} with (force)`).catch(() => {});
		await admin.close();
	}
}

/** Reads a copy into an empty database and compares every table with what it has to hold. */
export async function readInto(
	{ url, programs }: Omit<CopyPlace, "folder">,
	copy: string,
	held: Contents,
): Promise<void> {
	await pg(programs, "pg_restore", url, [
		"--no-owner",
		"--no-privileges",
		"--exit-on-error",
		"--single-transaction",
		copy,
	]);
	const there = connect(url, 1);
	try {
		const { contents } = await there.sql.begin((sql) => contentsOf(sql));
		const wrong = differences(held, contents);
		if (wrong.length > 0) throw new Error(`The copy is not the same: ${wrong.slice(0, 5).join("; ")}.`);
	} finally {
		await there.close();
	}
}

export const inDatabase = (url: string, name: string): string => url.replace(/\/[^/?]+(\?|$)/, `/${name}$1`);

export async function hashOf(file: string): Promise<string> {
	const hash = createHash("sha256");
	for await (const chunk of createReadStream(file)) hash.update(chunk as Buffer);
	return hash.digest("hex");
}

/** The password goes by the environment: what stands on a command line everybody on the machine can read. */
async function pg(programs: string, program: string, url: string, args: string[]): Promise<void> {
	const { username, password, hostname, port, pathname } = new URL(url);
	const where = [`--host=${hostname}`, `--port=${port || 5432}`, `--username=${decodeURIComponent(username)}`];
	const database = `--dbname=${pathname.slice(1)}`;
	await run(join(programs, program), [...where, database, "--no-password", ...args], {
		env: { ...process.env, PGPASSWORD: decodeURIComponent(password), LC_ALL: "C.UTF-8" },
	});
}

/** Of copies of a kind the newest stay. */
export function keepNewest(folder: string, label: string): void {
	const copies = readdirSync(folder).filter((name) => name.endsWith(`-${label}.dump`));
	for (const name of copies.sort().slice(0, -KEPT)) {
		rmSync(join(folder, name), { force: true });
		rmSync(noteOf(join(folder, name)), { force: true });
	}
}
