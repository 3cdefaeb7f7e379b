import { spawnSync } from "node:child_process";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { fingerprintOf } from "../fingerprint";

/**
 * Types of the whole project. Before every commit the native compiler reads all TypeScript and Astro's checker the pages alone; where CI
 * is set Astro's checker reads everything, with the compiler that the build uses: a preview does not have the last word. What was found
 * right is not read again until something differs.
 */
const ASTRO = ["node_modules/.bin/astro", "check", "--minimumFailingSeverity", "warning"];
const PAGES = [...ASTRO, "--tsconfig", "tsconfig.pages.json"];
const NATIVE = ["node_modules/.bin/tsgo", "--noEmit"];

const READ = ["core", "contract", "formats", "db", "server", "web", "standins", "demo", "scripts", "tests"];
const SETTINGS = ["package-lock.json", "tsconfig.json", "tsconfig.pages.json", "astro.config.ts", "vitest.config.ts"];
const STAMP = "data/reports/types-are-right";

const run = ([file = "", ...args]: readonly string[]): boolean =>
	spawnSync(file, args, { stdio: "inherit" }).status === 0;

function main(): number {
	const now = fingerprintOf([...READ, ...SETTINGS], true);
	if (!process.env.CI && existsSync(STAMP) && readFileSync(STAMP, "utf8") === now) {
		console.log("Nothing differs from what was found right last.");
		return 0;
	}
	// Both say what they find, whatever the other finds.
	const right = (process.env.CI ? [ASTRO] : [NATIVE, PAGES]).map(run).every(Boolean);
	if (right && !process.env.CI) writeFileSync(STAMP, now);
	return right ? 0 : 1;
}

process.exitCode = main();
