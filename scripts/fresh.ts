import { type ChildProcess, execFileSync, spawn } from "node:child_process";
import { chmodSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { freePort, placeFor } from "./cluster";

/**
 * What a stranger does: clones the last commit, installs with an empty npm cache, starts it, opens it, stops it. Fails where
 * a command fails, where the clone is not clean afterwards, or where nothing answers. Only the installing needs a network.
 */
const folder = mkdtempSync(join(tmpdir(), "zephyr-fresh-"));
chmodSync(folder, 0o755);
const clone = join(folder, "clone");
const data = join(folder, "data");
const env = { ...process.env, npm_config_cache: join(folder, "cache"), ZEPHYR_DATA: data };

/** Leads a command out of the check's own network (scripts/check/network.ts). */
const OUTSIDE: string[] = JSON.parse(process.env.ZEPHYR_OUTSIDE ?? "[]");

const git = (...args: string[]) => execFileSync("git", args, { encoding: "utf8" }).trim();

/** The start command until it says that it runs; its words if it ends before. */
async function started(port: number): Promise<ChildProcess> {
	const child = spawn(join(clone, "start"), { cwd: clone, env: { ...env, ZEPHYR_PORT: String(port) } });
	let words = "";
	for (const stream of [child.stdout, child.stderr])
		stream.on("data", (chunk) => {
			words += chunk;
			process.stdout.write(chunk);
		});
	await new Promise<void>((done, fail) => {
		child.once("exit", (code) => fail(new Error(`./start ended with ${code}:\n${words}`)));
		child.stdout.on("data", () => words.includes("Ctrl+C stops") && done());
	});
	return child;
}

async function main(): Promise<void> {
	git("clone", "--quiet", "--no-hardlinks", ".", clone);
	const [file = "", ...args] = [...OUTSIDE, "bash", "-c", ". scripts/install.sh; need_npm"];
	execFileSync(file, args, { cwd: clone, env, stdio: "inherit" });
	const port = await freePort();
	const child = await started(port);
	const { status } = await fetch(`http://127.0.0.1:${port}/sign-in`);
	if (status !== 200) throw new Error(`The sign-in page answered ${status}.`);
	const ended = new Promise<number | null>((done) => child.once("exit", done));
	child.kill("SIGTERM");
	const code = await ended;
	if (code !== 0) throw new Error(`./start ended with ${code} when it was asked to stop.`);
	const changed = git("-C", clone, "status", "--porcelain");
	if (changed !== "") throw new Error(`Installing and building changed files of the clone:\n${changed}`);
	console.log("A fresh clone installs, builds, starts, answers, stops, and stays clean.");
}

try {
	await main();
} finally {
	rmSync(await placeFor(join(data, "studio")), { recursive: true, force: true });
	rmSync(folder, { recursive: true, force: true });
}
