import { spawnSync } from "node:child_process";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { fingerprintOf } from "../fingerprint";
import { REPORTS } from "./parts";

/**
 * Types of the whole project. Before every commit the native compiler reads all TypeScript (`types`) and Astro's checker the pages alone
 * (`pages`); where CI is set Astro's checker reads everything, with the compiler that the build uses: a preview does not have the last
 * word. What was found right is not read again until something differs.
 */
const ASTRO = ["node_modules/.bin/astro", "check", "--minimumFailingSeverity", "warning"];
const COMMANDS = {
	everything: ASTRO,
	types: ["node_modules/.bin/tsgo", "--noEmit"],
	pages: [...ASTRO, "--tsconfig", "tsconfig.pages.json"],
};

const READ = ["core", "contract", "formats", "db", "server", "web", "standins", "demo", "scripts", "tests"];
const SETTINGS = ["package-lock.json", "tsconfig.json", "tsconfig.pages.json", "astro.config.ts", "vitest.config.ts"];

function main(what: keyof typeof COMMANDS): number {
	const stamp = `${REPORTS}/${what}-are-right`;
	const now = fingerprintOf([...READ, ...SETTINGS], true);
	if (!process.env.CI && existsSync(stamp) && readFileSync(stamp, "utf8") === now) {
		console.log("Nothing differs from what was found right last.");
		return 0;
	}
	const [file = "", ...args] = COMMANDS[what];
	const { status } = spawnSync(file, args, { stdio: "inherit" });
	if (status === 0 && !process.env.CI) writeFileSync(stamp, now);
	return status ?? 1;
}

const asked = process.argv[2] === "pages" ? "pages" : "types";
process.exitCode = main(process.env.CI ? "everything" : asked);
