import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";
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
	"scripts/build.ts",
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
	compress("dist/client");
	writeFileSync(STAMP, now);
	return true;
}

/** Smaller files are sent as they are, bytes. */
const WORTH_COMPRESSING = 1024;

/** Writes a .br and a .gz beside every file of text, so that nothing is compressed while somebody waits. */
function compress(folder: string): void {
	for (const entry of readdirSync(folder, { withFileTypes: true })) {
		const path = join(folder, entry.name);
		if (entry.isDirectory()) compress(path);
		else if (/\.(js|css|svg|json|html|txt|webmanifest)$/.test(entry.name) && statSync(path).size > WORTH_COMPRESSING) {
			const bytes = readFileSync(path);
			const params = { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY };
			writeFileSync(`${path}.br`, brotliCompressSync(bytes, { params }));
			writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }));
		}
	}
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
