import { randomBytes } from "node:crypto";
import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { createInterface } from "node:readline/promises";
import { eq } from "drizzle-orm";
import { connect, migrateTo } from "../db/connect";
import { studio, user } from "../db/schema";
import { seedDemo } from "../demo/seed";
import { type DemoSignIn, readDemoNote, writeDemoNote } from "../server/people/models/demo-note";
import { buildIfChanged } from "./build";
import { type Cluster, isFree, placeFor, StartProblem, startCluster } from "./cluster";
import { isExposed } from "./exposed";
import { answers, ended, type Kept, keepRunning, run } from "./processes";
import { type RunningStandIn, startStandIn } from "./stand-in";

const say = (line: string) => console.log(line);

async function main(): Promise<void> {
	const host = process.env.ZEPHYR_HOST || "127.0.0.1";
	const port = readPort(process.env.ZEPHYR_PORT || "4810");
	const wished = resolve(process.env.ZEPHYR_DATA || "data", "studio");
	const folder = await placeFor(wished);
	const unlock = lock(folder);
	let cluster: Cluster | undefined;
	let standIn: RunningStandIn | undefined;
	let jobs: Kept | undefined;
	try {
		if (process.argv.includes("--fresh")) await throwAway(folder);
		if (!(await isFree(port, host))) {
			throw new StartProblem(
				`Port ${port} is taken by another program. Stop it, or choose another port: ZEPHYR_PORT=${port + 1} ./start`,
			);
		}
		say("Starting the database …");
		cluster = await startCluster(folder, true);
		const { signIns, demoInForce } = await prepare(cluster, folder);
		const publicUrl = process.env.ZEPHYR_PUBLIC_URL;
		if (demoInForce && isExposed({ host, publicUrl, proxies: process.env.ZEPHYR_TRUST_PROXY })) {
			throw new StartProblem(
				"The demo passwords are still in force. Sign in on this machine and change them before the application listens beyond it.",
			);
		}
		say("Building the application if its sources changed …");
		buildIfChanged();
		standIn = await startStandIn(port + 10);
		const address = publicUrl || `http://${host}:${port}`;
		const env = {
			...process.env,
			HOST: host,
			PORT: String(port),
			NODE_ENV: "production",
			DATABASE_URL: cluster.url,
			ZEPHYR_SECRET: secretIn(folder),
			ZEPHYR_PUBLIC_URL: address,
			ZEPHYR_STAND_IN_PORT: String(standIn.basePort),
			ZEPHYR_LOGS: join(dirname(folder), "logs"),
			ZEPHYR_DEMO_NOTE: noteIn(folder),
		};
		const server = run("scripts/serve.ts", { env });
		jobs = keepRunning(() => run("server/jobs/main.ts", { env }));
		const over = new Promise<void>((done) => server.once("exit", () => done()));
		const asked = new Promise<void>((done) => {
			for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const) process.once(signal, () => done());
		});
		await Promise.race([
			answers(`http://${host}:${port}/api/health/ready`).then((answered) => {
				if (!answered) throw new StartProblem("The application did not answer within three minutes.");
			}),
			over.then(() => {
				throw new StartProblem("The application ended while starting; its last lines stand above.");
			}),
		]);
		announce(address, signIns, folder, wished);
		await Promise.race([asked, over]);
		say("\nStopping …");
		await Promise.all([ended(server, "SIGTERM"), jobs.stop()]);
	} finally {
		await jobs?.stop();
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

const noteIn = (folder: string) => join(folder, "demo-sign-ins.json");

/** Migrates, loads the demo into an empty database; says whether demo passwords are in force, and those of them that are noted. */
async function prepare(cluster: Cluster, folder: string): Promise<{ signIns: DemoSignIn[]; demoInForce: boolean }> {
	const noteFile = noteIn(folder);
	const connection = connect(cluster.url, 2);
	try {
		await migrateTo(connection.db, "db/migrations");
		const [known] = await connection.db.select().from(studio).limit(1);
		if (!known) {
			say("Loading the demo studio …");
			writeDemoNote(noteFile, await seedDemo(connection.db, new Date()));
		}
		const inForce = await connection.db.select({ email: user.email }).from(user).where(eq(user.demoPassword, true));
		const signIns = readDemoNote(noteFile).filter(({ email }) => inForce.some((row) => row.email === email));
		writeDemoNote(noteFile, signIns);
		return { signIns, demoInForce: inForce.length > 0 };
	} finally {
		await connection.close();
	}
}

function secretIn(folder: string): string {
	const file = join(folder, "secret");
	if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString("base64url"), { mode: 0o600 });
	return readFileSync(file, "utf8").trim();
}

function announce(address: string, signIns: DemoSignIn[], folder: string, wished: string): void {
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
