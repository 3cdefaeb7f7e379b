import { closeSync, openSync, readFileSync, rmSync, writeSync } from "node:fs";
import { join } from "node:path";
import { StartProblem } from "./cluster";

/** Programs that work in a data folder: never two at once. */
const OURS = /scripts\/(start|backup|restore)\.ts/;

/**
 * One program at a time per data folder: the file is made by whoever comes first, in one step; one that was left by a program
 * that died is taken over. Returns the way to give it back.
 */
export function lockFolder(folder: string, say: (line: string) => void): () => void {
	const file = join(folder, "start.lock");
	for (let again = false; ; again = true) {
		try {
			const handle = openSync(file, "wx", 0o600);
			writeSync(handle, String(process.pid));
			closeSync(handle);
			return () => rmSync(file, { force: true });
		} catch (error) {
			if ((error as NodeJS.ErrnoException).code !== "EEXIST" || again) throw error;
			const pid = Number(readFileSync(file, "utf8"));
			if (pid && isOurs(pid))
				throw new StartProblem(
					`Zephyr Flats is already running from this folder (process ${pid}). Stop it there with Ctrl+C.`,
				);
			say("An earlier start did not end cleanly; going on from where it left.");
			rmSync(file, { force: true });
		}
	}
}

/** Whether that process lives and is one of ours: numbers of processes come round again. */
function isOurs(pid: number): boolean {
	try {
		process.kill(pid, 0);
		return OURS.test(readFileSync(`/proc/${pid}/cmdline`, "utf8"));
	} catch {
		return false;
	}
}
