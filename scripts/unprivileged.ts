import { execFileSync } from "node:child_process";
import { chownSync, mkdirSync } from "node:fs";

/** Somebody who may nothing on this machine but read what everybody may. */
export interface Unprivileged {
	name: string;
	uid: number;
	gid: number;
	home: string;
}

const NAME = "nobody";

/**
 * Whom to run as what listens and decodes strangers' images, where we are root; undefined where we are not, or where that one
 * cannot reach Node.js or this folder.
 */
export function unprivileged(): Unprivileged | undefined {
	if (process.getuid?.() !== 0) return undefined;
	try {
		const id = (what: string) => Number(execFileSync("id", [what, NAME], { encoding: "utf8" }));
		const as = { name: NAME, uid: id("-u"), gid: id("-g"), home: "/nonexistent" };
		execFileSync(process.execPath, ["--eval", "require('fs').readdirSync('dist/programs')"], {
			uid: as.uid,
			gid: as.gid,
			stdio: "ignore",
		});
		return as;
	} catch {
		return undefined;
	}
}

/** A folder that they may write in, made where it is not there. */
export function theirFolder(folder: string, as: Unprivileged | undefined): string {
	mkdirSync(folder, { recursive: true, mode: 0o750 });
	if (as) chownSync(folder, as.uid, as.gid);
	return folder;
}
