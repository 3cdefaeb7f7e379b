import { existsSync, readFileSync } from "node:fs";
import { createInterface } from "node:readline/promises";
import { connect } from "../db/connect";
import { type CopyNote, hashOf, inDatabase, noteOf, readInto } from "../server/jobs/copy-book";
import { programSchema } from "./book";
import { DATABASE, placeFor, StartProblem, startCluster } from "./cluster";
import { lockFolder } from "./lock";
import { folderOf, others, whichStudio } from "./which";

const NEW = `${DATABASE}_read_back`;

/** Reads a copy back beside the present book, compares, and only then puts it in its place; the present one stays under another name. */
async function main(): Promise<void> {
	const [copy] = others(process.argv.slice(2));
	if (!copy || !existsSync(copy)) throw new StartProblem("Say which copy: ./restore path/to/copy.dump");
	const note = await readNote(copy);
	const folder = await placeFor(folderOf(whichStudio(process.argv)));
	const unlock = lockFolder(folder, console.log);
	const cluster = await startCluster(folder, true);
	const admin = connect(inDatabase(cluster.url, "postgres"), 1);
	try {
		console.log(`Reading back the copy of ${note.madeAt} …`);
		await admin.sql.unsafe(`drop database if exists ${NEW} with (force)`);
		await admin.sql.unsafe(`create database ${NEW} template template0`);
		const url = inDatabase(cluster.url, NEW);
		await readInto({ url, programs: cluster.programs }, copy, note.contents);
		const shut = await doorsAsTheyAre(cluster.url, url);
		console.log(
			`Everybody signs in anew; ${shut} ${shut === 1 ? "account that is" : "accounts that are"} shut now stay shut.`,
		);
		await ask("The copy is whole. Type “put it in place” to make it the studio’s book: ", "put it in place");
		const aside = `${DATABASE}_until_${new Date().toISOString().slice(0, 19).replace(/\D/g, "")}`;
		await admin.sql.unsafe(`alter database ${DATABASE} rename to ${aside}`);
		await admin.sql.unsafe(`alter database ${NEW} rename to ${DATABASE}`);
		console.log(`Done. The book as it was until now is kept as the database ${aside}.`);
	} finally {
		await admin.sql.unsafe(`drop database if exists ${NEW} with (force)`).catch(() => {});
		await admin.close();
		await cluster.stop();
		unlock();
	}
}

/**
 * A copy knows sessions that were ended since, and accounts that were shut since: none of them opens anything. Returns how many accounts
 * are shut by what the present book says.
 */
async function doorsAsTheyAre(present: string, back: string): Promise<number> {
	const [now, then] = [connect(present, 1), connect(back, 1)];
	try {
		await then.sql`delete from session`;
		const shut = await now.sql<{ id: string; disabled_at: Date }[]>`
			select id, disabled_at from "user" where disabled_at is not null`.catch(() => []);
		for (const { id, disabled_at } of shut)
			await then.sql`update "user" set disabled_at = ${disabled_at} where id = ${id} and disabled_at is null`;
		return shut.length;
	} finally {
		await now.close();
		await then.close();
	}
}

async function readNote(copy: string): Promise<CopyNote> {
	if (!existsSync(noteOf(copy)))
		throw new StartProblem(`Beside the copy there is no ${noteOf(copy)} to compare it with.`);
	const note: CopyNote = JSON.parse(readFileSync(noteOf(copy), "utf8"));
	if ((await hashOf(copy)) !== note.sha256)
		throw new StartProblem("This copy is not what was written: its hash differs.");
	if (note.schema > programSchema())
		throw new StartProblem("This copy is of a newer Zephyr Flats than this one. Read it back with that one.");
	return note;
}

async function ask(question: string, wanted: string): Promise<void> {
	const terminal = createInterface({ input: process.stdin, output: process.stdout });
	const reply = await terminal.question(question);
	terminal.close();
	if (reply.trim() !== wanted) throw new StartProblem("Nothing was changed.");
}

main().catch((error: unknown) => {
	console.error(error instanceof Error ? error.message.split("\n")[0] : error);
	process.exitCode = 1;
});
