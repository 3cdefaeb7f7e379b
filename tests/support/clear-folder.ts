import { readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as rest } from "node:timers/promises";

/** Where a cluster lies in a data folder, or in a studio's folder of one. */
const CLUSTERS = ["pg", "studio/pg", "own/pg"];

/** Takes a data folder away, whatever a test has left in it: a database that still runs there writes into it until it is stopped. */
export async function clearFolder(folder: string): Promise<void> {
	if (!folder) return;
	for (const cluster of CLUSTERS) await stopDatabase(join(folder, cluster));
	rmSync(folder, { recursive: true, force: true });
}

async function stopDatabase(cluster: string): Promise<void> {
	const pid = pidOf(cluster);
	// SIGINT asks PostgreSQL for a fast shutdown; it is over once its first process is gone.
	if (isDatabase(pid, cluster)) process.kill(pid, "SIGINT");
	while (isDatabase(pid, cluster)) await rest(50);
}

function pidOf(cluster: string): number {
	try {
		return Number(readFileSync(join(cluster, "postmaster.pid"), "utf8").split("\n")[0]);
	} catch {
		return 0;
	}
}

/** Whether that process is the database of this folder: numbers of processes come round again. */
function isDatabase(pid: number, cluster: string): boolean {
	try {
		return pid > 0 && readFileSync(`/proc/${pid}/cmdline`, "utf8").includes(cluster);
	} catch {
		return false;
	}
}
