import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { StartProblem } from "./cluster";

const SOURCES = [
	"core",
	"contract",
	"formats",
	"db",
	"server",
	"web",
	"standins",
	"public",
	"astro.config.ts",
	"package-lock.json",
	"tsconfig.json",
];
const STAMP = "dist/.sources";

/** Builds the application unless the last build was from these very sources. Returns whether it built. */
export function buildIfChanged(): boolean {
	const now = fingerprint();
	if (existsSync(STAMP) && readFileSync(STAMP, "utf8") === now) return false;
	const { status, stdout, stderr } = spawnSync(process.execPath, ["node_modules/astro/astro.js", "build"], {
		encoding: "utf8",
		env: { ...process.env, ASTRO_TELEMETRY_DISABLED: "1", NODE_ENV: "production" },
	});
	if (status !== 0)
		throw new StartProblem(
			`The application did not build:\n${`${stdout}${stderr}`.trim().split("\n").slice(-15).join("\n")}`,
		);
	writeFileSync(STAMP, now);
	return true;
}

function fingerprint(): string {
	const hash = createHash("sha256");
	const walk = (path: string): void => {
		if (!existsSync(path)) return;
		if (statSync(path).isDirectory()) {
			for (const name of readdirSync(path).sort()) walk(join(path, name));
		} else if (!/\.test\.tsx?$/.test(path)) {
			hash.update(path).update(readFileSync(path));
		}
	};
	for (const source of SOURCES) walk(source);
	return hash.digest("hex");
}

if (process.argv[1]?.endsWith("build.ts")) {
	console.log(buildIfChanged() ? "built" : "build is current");
}
