import { existsSync } from "node:fs";
import { join, resolve } from "node:path";
import { connect } from "../db/connect";
import { beat } from "../db/queries/heartbeats";
import { copyBook } from "../server/jobs/copy-book";
import { placeFor, StartProblem, startCluster } from "./cluster";
import { folderOf, others, whichStudio } from "./which";

/** Copies the studio's book, whether the application runs or not, and proves the copy by reading it back. */
async function main(): Promise<void> {
	const folder = await placeFor(folderOf(whichStudio(process.argv)));
	if (!existsSync(join(folder, "pg")))
		throw new StartProblem("There is no studio in this data folder yet: nothing to copy.");
	const cluster = await startCluster(folder, true);
	const book = connect(cluster.url, 1);
	try {
		console.log("Copying, and reading the copy back …");
		const to = resolve(others(process.argv.slice(2))[0] ?? join(folder, "copies"));
		const copy = await copyBook({ url: cluster.url, programs: cluster.programs, folder: to }, "by-hand");
		await beat(book.db, "backup");
		console.log(`The studio’s book, photos and all, is in ${copy}`);
		console.log(
			"It was read back and compared, table by table. Keep it on another disk, with the file “secret” of the data folder.",
		);
	} finally {
		await book.close();
		if (!cluster.ranBefore) await cluster.stop();
	}
}

main().catch((error: unknown) => {
	console.error(error instanceof Error ? error.message.split("\n")[0] : error);
	process.exitCode = 1;
});
