import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";

/**
 * A hash of these files and of all below these folders: what was made of them is made anew when it differs.
 * @param tests whether test files count too
 */
export function fingerprintOf(sources: readonly string[], tests = false): string {
	const hash = createHash("sha256");
	const walk = (path: string): void => {
		if (!existsSync(path)) return;
		if (statSync(path).isDirectory()) {
			for (const name of readdirSync(path).sort()) walk(join(path, name));
		} else if (tests || !/\.test\.tsx?$/.test(path)) {
			hash.update(path).update(readFileSync(path));
		}
	};
	for (const source of sources) walk(source);
	return hash.digest("hex");
}
