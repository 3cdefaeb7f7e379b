import { spawnSync } from "node:child_process";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";
import { buildSync } from "esbuild";
import { StartProblem } from "./cluster";
import { fingerprintOf } from "./fingerprint";
import { PROGRAM_FOLDER, PROGRAMS } from "./programs";

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
	"scripts/programs.ts",
	"scripts/serve.ts",
	"scripts/headers.ts",
	"scripts/client-address.ts",
	"package-lock.json",
	"tsconfig.json",
];
const STAMP = "dist/.sources";

/** Builds the application unless the last build was from these very sources. Returns whether it built. */
export function buildIfChanged(): boolean {
	const now = fingerprintOf(SOURCES);
	if (existsSync(STAMP) && readFileSync(STAMP, "utf8") === now) return false;
	const { status, stdout, stderr } = spawnSync(process.execPath, ["node_modules/astro/astro.js", "build"], {
		encoding: "utf8",
		env: { ...process.env, ASTRO_TELEMETRY_DISABLED: "1", NODE_ENV: "production" },
	});
	if (status !== 0)
		throw new StartProblem(
			`The application did not build:\n${`${stdout}${stderr}`.trim().split("\n").slice(-15).join("\n")}`,
		);
	bundlePrograms();
	compress("dist/client");
	writeFileSync(STAMP, now);
	return true;
}

/** Each program with all of ours that it uses in one file; packages stay where they are installed. */
function bundlePrograms(): void {
	buildSync({
		entryPoints: PROGRAMS,
		outdir: PROGRAM_FOLDER,
		outExtension: { ".js": ".mjs" },
		bundle: true,
		packages: "external",
		platform: "node",
		format: "esm",
		target: "node20",
		sourcemap: true,
		tsconfig: "tsconfig.json",
		logLevel: "error",
	});
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

if (process.argv[1]?.endsWith("build.ts")) {
	console.log(buildIfChanged() ? "built" : "build is current");
}
