import { spawn } from "node:child_process";
import { randomBytes } from "node:crypto";
import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { createInterface } from "node:readline/promises";
import { eq } from "drizzle-orm";
import { connect, migrateTo } from "../db/connect";
import { studio, user } from "../db/schema";
import { seedDemo } from "../demo/seed";
import { buildIfChanged } from "./build";
import { type Cluster, isFree, placeFor, StartProblem, startCluster } from "./cluster";
import { type RunningStandIn, startStandIn } from "./stand-in";

interface SignInNote {
	email: string;
	password: string;
	role: string;
}

const LOOPBACK = ["127.0.0.1", "localhost", "::1"];
const say = (line: string) => console.log(line);

async function main(): Promise<void> {
	const host = process.env.ZEPHYR_HOST || "127.0.0.1";
	const port = readPort(process.env.ZEPHYR_PORT || "4810");
	const wished = resolve(process.env.ZEPHYR_DATA || "data", "studio");
	const folder = await placeFor(wished);
	const unlock = lock(folder);
	let cluster: Cluster | undefined;
	let standIn: RunningStandIn | undefined;
	try {
		if (process.argv.includes("--fresh")) await throwAway(folder);
		if (!(await isFree(port, host))) {
			throw new StartProblem(
				`Port ${port} is taken by another program. Stop it, or choose another port: ZEPHYR_PORT=${port + 1} ./start`,
			);
		}
		say("Starting the database …");
		cluster = await startCluster(folder, true);
		const signIns = await prepare(cluster, folder);
		if (signIns.length > 0 && !LOOPBACK.includes(host)) {
			throw new StartProblem(
				"The demo passwords are still in force. Sign in on this machine and change them before the application listens beyond it.",
			);
		}
		say("Building the application if its sources changed …");
		buildIfChanged();
		standIn = await startStandIn(port + 10);
		const address = process.env.ZEPHYR_PUBLIC_URL || `http://${host}:${port}`;
		const server = spawn(process.execPath, ["dist/server/entry.mjs"], {
			stdio: ["ignore", "inherit", "inherit"],
			detached: true, // Ctrl+C reaches us first: application, then database
			env: {
				...process.env,
				HOST: host,
				PORT: String(port),
				NODE_ENV: "production",
				DATABASE_URL: cluster.url,
				ZEPHYR_SECRET: secretIn(folder),
				ZEPHYR_PUBLIC_URL: address,
				ZEPHYR_STAND_IN_PORT: String(standIn.basePort),
				ZEPHYR_LOGS: join(dirname(folder), "logs"),
			},
		});
		const ended = new Promise<void>((done) => server.once("exit", () => done()));
		const asked = new Promise<void>((done) => {
			for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const) process.once(signal, () => done());
		});
		await Promise.race([
			untilAnswers(`http://${host}:${port}/api/health`),
			ended.then(() => {
				throw new StartProblem("The application ended while starting; its last lines stand above.");
			}),
		]);
		announce(address, signIns, folder, wished);
		await Promise.race([asked, ended]);
		say("\nStopping …");
		if (server.exitCode === null) server.kill("SIGTERM");
		await Promise.race([ended, new Promise((done) => setTimeout(done, 4000))]);
		if (server.exitCode === null) server.kill("SIGKILL");
	} finally {
		standIn?.stop();
		await cluster?.stop();
		unlock();
	}
	say("Stopped. Everything is kept.");
}

function readPort(text: string): number {
	const port = Number(text);
	if (!Number.isInteger(port) || port < 1 || port > 65535)
		throw new StartProblem(`ZEPHYR_PORT must be a number from 1 to 65535, not “${text}”.`);
	return port;
}

/** One start at a time per data folder; a lock left by a start that died is taken over. */
function lock(folder: string): () => void {
	const file = join(folder, "start.lock");
	if (existsSync(file)) {
		const pid = Number(readFileSync(file, "utf8"));
		if (pid && isAlive(pid))
			throw new StartProblem(
				`Zephyr Flats is already running from this folder (process ${pid}). Stop it there with Ctrl+C.`,
			);
		say("An earlier start did not end cleanly; going on from where it left.");
	}
	writeFileSync(file, String(process.pid));
	return () => rmSync(file, { force: true });
}

function isAlive(pid: number): boolean {
	try {
		process.kill(pid, 0);
		return readFileSync(`/proc/${pid}/cmdline`, "utf8").includes("scripts/start.ts");
	} catch {
		return false;
	}
}

async function throwAway(folder: string): Promise<void> {
	if (!existsSync(join(folder, "pg"))) return;
	const ask = createInterface({ input: process.stdin, output: process.stdout });
	const reply = await ask.question(
		"This throws away everything in the studio’s database. Type “throw away” to go on: ",
	);
	ask.close();
	if (reply.trim() !== "throw away") throw new StartProblem("Nothing was thrown away.");
	const cluster = await startCluster(folder, true);
	await cluster.stop();
	for (const name of ["pg", "password", "port", "demo-sign-ins.json"])
		rmSync(join(folder, name), { recursive: true, force: true });
}

/** Migrates, loads the demo into an empty database, and returns the demo sign-ins still in force. */
async function prepare(cluster: Cluster, folder: string): Promise<SignInNote[]> {
	const noteFile = join(folder, "demo-sign-ins.json");
	const connection = connect(cluster.url, 2);
	try {
		await migrateTo(connection.db, "db/migrations");
		const [known] = await connection.db.select().from(studio).limit(1);
		if (!known) {
			say("Loading the demo studio …");
			const signIns = await seedDemo(connection.db, new Date());
			writeFileSync(noteFile, JSON.stringify(signIns), { mode: 0o600 });
		}
		const inForce = await connection.db.select({ email: user.email }).from(user).where(eq(user.demoPassword, true));
		const notes: SignInNote[] = existsSync(noteFile) ? JSON.parse(readFileSync(noteFile, "utf8")) : [];
		return notes.filter(({ email }) => inForce.some((row) => row.email === email));
	} finally {
		await connection.close();
	}
}

function secretIn(folder: string): string {
	const file = join(folder, "secret");
	if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString("base64url"), { mode: 0o600 });
	return readFileSync(file, "utf8").trim();
}

async function untilAnswers(url: string): Promise<void> {
	for (let i = 0; i < 150; i++) {
		const answered = await fetch(url).then(
			(response) => response.ok,
			() => false,
		);
		if (answered) return;
		await new Promise((done) => setTimeout(done, 200));
	}
	throw new StartProblem("The application did not answer within 30 seconds.");
}

function announce(address: string, signIns: SignInNote[], folder: string, wished: string): void {
	say(`\n  Zephyr Flats   ${address}\n`);
	for (const { email, password, role } of signIns) say(`  ${role.padEnd(12)} ${email.padEnd(34)} ${password}`);
	if (signIns.length > 0) say("  (demo passwords: change them under your name before others can reach this machine)");
	say(`\n  Data in ${folder}${folder === wished ? "" : " (PostgreSQL cannot reach the project’s own folder)"}`);
	say("  The kilns are stand-ins in a process of their own; their heat is computed, nothing gets warm");
	say("  Ctrl+C stops application and database; everything is kept.\n");
}

main().catch((error: unknown) => {
	if (!(error instanceof StartProblem) && (error as NodeJS.ErrnoException)?.code !== "ENOSPC") throw error;
	const sentence = error instanceof StartProblem ? error.message : "The disk is full. Free some space and start again.";
	console.error(sentence);
	process.exitCode = 1;
});
