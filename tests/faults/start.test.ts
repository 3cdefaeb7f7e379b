import { type ChildProcess, spawn } from "node:child_process";
import { existsSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { join, resolve } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { buildIfChanged } from "../../scripts/build";
import { freePort, isFree, placeFor } from "../../scripts/cluster";

/** The start command on a data folder of its own: what it says, what it keeps, what it refuses. */
const data = resolve("data", "start-test");
let folder = "";
let port = 0;

interface Run {
	output(): string;
	until(words: string): Promise<void>;
	end(signal: NodeJS.Signals): Promise<number | null>;
	ended: Promise<number | null>;
	process: ChildProcess;
}

function start(env: Record<string, string> = {}, args: string[] = [], typed?: string): Run {
	let text = "";
	const child = spawn(process.execPath, ["--import", "tsx", "scripts/start.ts", ...args], {
		env: { ...process.env, ZEPHYR_DATA: data, ZEPHYR_PORT: String(port), ...env },
		stdio: ["pipe", "pipe", "pipe"],
	});
	child.stdout.on("data", (chunk) => {
		text += chunk;
	});
	child.stderr.on("data", (chunk) => {
		text += chunk;
	});
	if (typed !== undefined) child.stdin.end(`${typed}\n`);
	const ended = new Promise<number | null>((done) => child.once("exit", done));
	return {
		process: child,
		ended,
		output: () => text,
		async until(words) {
			for (let i = 0; i < 400 && !text.includes(words); i++) {
				if (child.exitCode !== null) break;
				await new Promise((done) => setTimeout(done, 100));
			}
			expect(text).toContain(words);
		},
		end(signal) {
			child.kill(signal);
			return ended;
		},
	};
}

beforeAll(async () => {
	buildIfChanged();
	rmSync(data, { recursive: true, force: true });
	folder = await placeFor(join(data, "studio"));
	port = await freePort();
});
afterAll(() => {
	rmSync(folder, { recursive: true, force: true });
	rmSync(data, { recursive: true, force: true });
});

describe("./start", () => {
	let passwords = "";

	it("makes everything, prints the address and the sign-ins, and stops cleanly", async () => {
		const run = start();
		await run.until("Ctrl+C stops");
		expect(run.output()).toContain(`http://127.0.0.1:${port}`);
		expect(run.output()).toContain("Loading the demo studio");
		passwords =
			run
				.output()
				.match(/[0-9a-f]{8}-[0-9a-f]{8}/g)
				?.join() ?? "";
		expect(passwords.split(",")).toHaveLength(2);
		expect((await fetch(`http://127.0.0.1:${port}/sign-in`)).status).toBe(200);
		const second = start();
		expect(await second.ended).toBe(1);
		expect(second.output()).toContain("is already running from this folder");
		expect(await run.end("SIGINT")).toBe(0);
		expect(run.output()).toContain("Everything is kept.");
		expect(await isFree(port)).toBe(true);
		expect(existsSync(join(folder, "pg", "postmaster.pid"))).toBe(false);
		expect(existsSync(join(folder, "start.lock"))).toBe(false);
	});

	it("a second start keeps the data, and takes over from one that was killed", async () => {
		writeFileSync(join(folder, "start.lock"), "999999");
		const run = start();
		await run.until("Ctrl+C stops");
		expect(run.output()).toContain("did not end cleanly");
		expect(run.output()).not.toContain("Loading the demo studio");
		expect(
			run
				.output()
				.match(/[0-9a-f]{8}-[0-9a-f]{8}/g)
				?.join(),
		).toBe(passwords);
		await run.end("SIGTERM");
	});

	it("says that the port is taken, and by what setting to choose another", async () => {
		const other = createServer().listen(port, "127.0.0.1");
		await new Promise((done) => other.once("listening", done));
		const run = start();
		expect(await run.ended).toBe(1);
		expect(run.output()).toContain(`Port ${port} is taken by another program.`);
		expect(run.output()).toContain(`ZEPHYR_PORT=${port + 1}`);
		await new Promise((done) => other.close(done));
	});

	it("listens nowhere else while the demo passwords are in force", async () => {
		const run = start({ ZEPHYR_HOST: "0.0.0.0" });
		expect(await run.ended).toBe(1);
		expect(run.output()).toContain("The demo passwords are still in force.");
	});

	it("asks before it throws the demo away, and takes anything else for no", async () => {
		const run = start({}, ["--fresh"], "yes");
		expect(await run.ended).toBe(1);
		expect(run.output()).toContain("Nothing was thrown away.");
		expect(existsSync(join(folder, "pg"))).toBe(true);
	});

	it("refuses a port that is none", async () => {
		const run = start({ ZEPHYR_PORT: "many" });
		expect(await run.ended).toBe(1);
		expect(run.output()).toContain("must be a number from 1 to 65535");
	});
});
