import { spawn } from "node:child_process";
import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { join, resolve } from "node:path";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { buildIfChanged } from "../../scripts/build";
import { freePort, isFree, placeFor } from "../../scripts/cluster";

/** The start command on a data folder of its own: what it says, what it keeps, what it refuses. */
const data = resolve("data", "start-test");
let folder = "";
let port = 0;

interface Run {
	output(): string;
	/** Waits until it has said so, for as long as it lives. */
	until(words: string): Promise<void>;
	end(signal: NodeJS.Signals): Promise<number | null>;
	ended: Promise<number | null>;
	/** The demo's passwords as it printed them. */
	passwords(): string[];
}

const alive = new Set<Run>();

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
	const run: Run = {
		ended: new Promise<number | null>((done) =>
			child.once("exit", (code) => {
				alive.delete(run);
				done(code);
			}),
		),
		output: () => text,
		async until(words) {
			while (!text.includes(words) && child.exitCode === null) await new Promise((done) => setTimeout(done, 50));
			expect(text).toContain(words);
		},
		end(signal) {
			child.kill(signal);
			return run.ended;
		},
		passwords: () => text.match(/[0-9a-f]{8}-[0-9a-f]{8}/g) ?? [],
	};
	alive.add(run);
	return run;
}

/** The very first start in this folder, as it was before any test. */
let first: Run;

beforeAll(async () => {
	buildIfChanged();
	rmSync(data, { recursive: true, force: true });
	folder = await placeFor(join(data, "studio"));
	port = await freePort();
	first = start();
	await first.until("Ctrl+C stops");
	await first.end("SIGINT");
});
afterEach(async () => {
	for (const run of alive) await run.end("SIGTERM");
});
afterAll(() => {
	rmSync(folder, { recursive: true, force: true });
	rmSync(data, { recursive: true, force: true });
});

describe("./start", () => {
	it("makes everything the first time, prints the address and the sign-ins, and stops cleanly", async () => {
		expect(first.output()).toContain(`http://127.0.0.1:${port}`);
		expect(first.output()).toContain("Loading the demo studio");
		expect(first.passwords()).toHaveLength(2);
		expect(await first.ended).toBe(0);
		expect(first.output()).toContain("Everything is kept.");
		expect(await isFree(port)).toBe(true);
		expect(existsSync(join(folder, "pg", "postmaster.pid"))).toBe(false);
		expect(existsSync(join(folder, "start.lock"))).toBe(false);
	});

	it("answers, and a second one beside it is refused", async () => {
		const run = start();
		await run.until("Ctrl+C stops");
		expect((await fetch(`http://127.0.0.1:${port}/sign-in`)).status).toBe(200);
		const second = start();
		expect(await second.ended).toBe(1);
		expect(second.output()).toContain("is already running from this folder");
	});

	it("keeps the data, and takes over from one that was killed", async () => {
		writeFileSync(join(folder, "start.lock"), "999999");
		const run = start();
		await run.until("Ctrl+C stops");
		expect(run.output()).toContain("did not end cleanly");
		expect(run.output()).not.toContain("Loading the demo studio");
		expect(run.passwords()).toEqual(first.passwords());
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

	it.each([
		["elsewhere", { ZEPHYR_HOST: "0.0.0.0" }],
		["under a public address", { ZEPHYR_PUBLIC_URL: "https://studio.example" }],
		["behind a proxy", { ZEPHYR_TRUST_PROXY: "1" }],
	])("does not listen %s while the demo passwords are in force, noted or not", async (_, env) => {
		const note = join(folder, "demo-sign-ins.json");
		const kept = readFileSync(note, "utf8");
		rmSync(note);
		try {
			const run = start(env);
			expect(await run.ended).toBe(1);
			expect(run.output()).toContain("The demo passwords are still in force.");
		} finally {
			writeFileSync(note, kept, { mode: 0o600 });
		}
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
