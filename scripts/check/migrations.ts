import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

/**
 * A migration that was committed is never edited: a database that was brought on in between would lack what came later, and nothing would
 * tell. What a migration forgot, the next one does.
 */
const FOLDER = "db/migrations";

/** Edited before this was checked: each with the commit from which on it stayed as it is. */
const AS_OF: Record<string, string> = {
	"0003_fire.sql": "5a781df",
	"0004_alarm_once.sql": "5a781df",
	"0014_own_studio.sql": "eba247b",
	"0015_customs_sign_up.sql": "ae74257",
	"0017_stock.sql": "b02c08e",
	"0022_upper_shelves.sql": "867e4fa",
};

interface Migrations {
	/** Each file with its text, as it is now. */
	now: ReadonlyMap<string, string>;
	/** Each file with its text, as it was committed. */
	committed: ReadonlyMap<string, string>;
	journal: readonly { tag: string; when: number }[];
}

/** What is wrong with the migrations, a sentence each. */
export function migrationProblems({ now, committed, journal }: Migrations): string[] {
	const problems: string[] = [];
	for (const [file, text] of committed) {
		if (!now.has(file)) problems.push(`${file} was committed and is gone. Take it back.`);
		else if (now.get(file) !== text)
			problems.push(`${file} was edited after it was committed. Take that back, and do it in a migration of its own.`);
	}
	const listed = journal.map(({ tag }) => `${tag}.sql`);
	for (const file of listed) if (!now.has(file)) problems.push(`${file} is in the journal and not in the folder.`);
	for (const file of now.keys())
		if (!listed.includes(file)) problems.push(`${file} is in the folder and not in the journal: it is never run.`);
	for (const [i, { tag, when }] of journal.entries())
		if (i > 0 && when <= (journal[i - 1]?.when ?? 0))
			problems.push(`${tag} is dated before the one it follows: a database that has that one skips it.`);
	return problems;
}

const git = (...args: string[]): string =>
	execFileSync("git", args, { encoding: "utf8", stdio: ["ignore", "pipe", "ignore"] });

/** The text as it was first committed; in a clone without all commits, as its oldest one has it. */
function firstCommitted(file: string): string {
	const path = join(FOLDER, file);
	const commits = git("log", "--format=%H", "--", path).trim().split("\n");
	for (const commit of [AS_OF[file], commits.at(-1)])
		try {
			if (commit) return git("show", `${commit}:${path}`);
		} catch {
			// not in this clone
		}
	throw new Error(`${path}: no commit of it is in this clone.`);
}

const committedFiles = (): string[] =>
	git("log", "--diff-filter=A", "--name-only", "--format=", "--", `${FOLDER}/*.sql`)
		.split("\n")
		.filter((path) => path !== "" && !path.slice(FOLDER.length + 1).includes("/"))
		.map((path) => path.slice(FOLDER.length + 1));

if (process.argv[1]?.endsWith("migrations.ts")) {
	const files = readdirSync(FOLDER).filter((file) => file.endsWith(".sql"));
	const { entries } = JSON.parse(readFileSync(join(FOLDER, "meta/_journal.json"), "utf8"));
	const problems = migrationProblems({
		now: new Map(files.map((file) => [file, readFileSync(join(FOLDER, file), "utf8")])),
		committed: new Map([...new Set(committedFiles())].map((file) => [file, firstCommitted(file)])),
		journal: entries,
	});
	console.log(problems.length > 0 ? problems.join("\n") : `${files.length} migrations, each as it was committed.`);
	process.exitCode = problems.length > 0 ? 1 : 0;
}
