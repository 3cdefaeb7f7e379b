import { randomBytes } from "node:crypto";
import { chownSync, existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { createInterface } from "node:readline/promises";
import { eq } from "drizzle-orm";
import { connect, migrateTo } from "../db/connect";
import { studio, user } from "../db/schema";
import { type DemoSignIn, readDemoNote, writeDemoNote } from "../server/people/models/demo-note";
import { type Book, openBook } from "./book";
import { buildIfChanged } from "./build";
import { isFree, placeFor, StartProblem, startCluster } from "./cluster";
import { isExposed, isPlain } from "./exposed";
import { lockFolder } from "./lock";
import { answers, type Kept, keepRunning, run } from "./processes";
import { type RunningStandIn, startStandIn } from "./stand-in";
import { theirFolder, unprivileged } from "./unprivileged";
import { folderOf, markBegun, type Which, whichStudio } from "./which";

const say = (line: string) => console.log(line);

/** A server that ends so often, none of which after it had been well, is not started again. */
const MOST_ENDS = 6;

interface Settings {
	host: string;
	port: number;
	publicUrl: string | undefined;
	proxies: string | undefined;
	/** A database that somebody else keeps; ours where nothing is said. */
	databaseUrl: string | undefined;
}

async function main(): Promise<void> {
	process.umask(0o022);
	const asked = new Promise<void>((done) => {
		for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const) process.once(signal, () => done());
	});
	let next: Next | undefined = { which: whichStudio(process.argv) };
	while (next) next = await runStudio(next, asked);
	say("Stopped. Everything is kept.");
}

/** What is run after one studio: another one, where somebody pressed for it. */
interface Next {
	which: Which;
	/** Whoever shows it may write the studio down. */
	beginKey?: string;
}

/** Runs one studio until somebody asks for the end, or for one's own instead. */
async function runStudio({ which, beginKey }: Next, asked: Promise<void>): Promise<Next | undefined> {
	const settings = readSettings();
	const wished = folderOf(which);
	const folder = await placeFor(wished);
	const unlock = lockFolder(folder, say);
	let book: Book | undefined;
	let standIn: RunningStandIn | undefined;
	const kept: Kept[] = [];
	let gaveUp = false;
	let next: Next | undefined;
	try {
		if (process.argv.includes("--fresh")) await throwAway(folder, which);
		refuseOpenDoors(settings);
		if (!(await isFree(settings.port, settings.host))) {
			throw new StartProblem(
				`Port ${settings.port} is taken by another program. Stop it, or choose another port: ZEPHYR_PORT=${settings.port + 1} ./start`,
			);
		}
		say(settings.databaseUrl ? "Opening the database …" : "Starting the database …");
		book = await openBook(folder, settings.databaseUrl, say);
		const { signIns, demoInForce, begun } = await prepare(book.ownerUrl, noteIn(folder), which);
		await book.grant();
		if (demoInForce && isExposed(settings)) {
			throw new StartProblem(
				"The demo passwords are still in force. Sign in on this machine and change them before the application listens beyond it.",
			);
		}
		say("Building the application if its sources changed …");
		buildIfChanged();
		const as = unprivileged();
		if (as && existsSync(noteIn(folder))) chownSync(noteIn(folder), as.uid, as.gid);
		standIn = await startStandIn(settings.port + 10, { as, say });
		const address = settings.publicUrl || `http://${settings.host}:${settings.port}`;
		// The owner’s address of the database is for this process alone.
		const { ZEPHYR_DATABASE_URL: _, ...own } = process.env;
		const env = {
			...own,
			HOST: settings.host,
			PORT: String(settings.port),
			NODE_ENV: "production",
			DATABASE_URL: book.url,
			ZEPHYR_SECRET: process.env.ZEPHYR_SECRET || secretIn(folder),
			ZEPHYR_PUBLIC_URL: address,
			...standIn.env,
			ZEPHYR_LOGS: join(dirname(folder), "logs"),
			ZEPHYR_UNKEPT: theirFolder(join(folder, "unkept"), as),
			ZEPHYR_LOG_FOLDER: theirFolder(join(folder, "log"), as),
			ZEPHYR_DATA_FOLDER: folder,
			ZEPHYR_DEMO_NOTE: noteIn(folder),
			...(which === "demo" && !isExposed(settings) && { ZEPHYR_DEMO_ENTRY: noteIn(folder) }),
		};
		const doors = doorsOf(address, which, settings, begun ? undefined : (beginKey ?? newKey()));
		const serverEnv = { ...env, ...doors.env };
		let heard: (message: FromServer) => void = () => {};
		const left = new Promise<Next>((done) => {
			heard = (message) => {
				if (message.begin) done({ which: "own", beginKey: message.begin });
				if (!message.begun) return;
				markBegun();
				startJobs();
			};
		});
		const server = keepRunning(
			() => {
				const child = run("serve", { env: serverEnv, as });
				child.on("message", (message) => heard(message as FromServer));
				return child;
			},
			{ most: MOST_ENDS },
		);
		kept.push(server);
		const copies = book.copyUrl && {
			ZEPHYR_COPY_URL: book.copyUrl,
			ZEPHYR_COPY_PROGRAMS: book.programs,
			ZEPHYR_COPY_FOLDER: theirFolder(copiesIn(folder), as),
		};
		let jobs: Kept | undefined;
		const startJobs = () => {
			if (jobs) return;
			jobs = keepRunning(() => run("jobs", { env: { ...env, ...copies, ZEPHYR_PROCESS: "jobs" }, as }));
			kept.push(jobs);
		};
		if (begun) startJobs();
		if (begun && which === "own") markBegun();
		const over = server.givenUp.then(() => {
			gaveUp = true;
		});
		await Promise.race([
			asked,
			answers(`http://${settings.host}:${settings.port}/api/health/ready`).then((answered) => {
				if (!answered) throw new StartProblem("The application did not answer within three minutes.");
				// It answered once: whatever ends it later, the kilns go on being heard beside it.
				server.neverGiveUp();
			}),
			over.then(() => {
				throw new StartProblem("The application ended while starting; its last lines stand above.");
			}),
		]);
		announce(doors, signIns, folder, wished);
		if (process.getuid?.() === 0 && !as)
			say("  This folder or Node.js cannot be read by an unprivileged user: the server runs as root. Better not.\n");
		next = (await Promise.race([asked, over, left])) ?? undefined;
		say(next ? "\nBeginning a studio of your own …" : "\nStopping …");
	} finally {
		await Promise.all(kept.map((one) => one.stop()));
		await standIn?.stop();
		await book?.close();
		unlock();
	}
	if (gaveUp) throw new StartProblem(`The application ended ${MOST_ENDS} times in a row; its last lines stand above.`);
	return next;
}

/** What opens a door once: 192 random bits. */
const newKey = () => randomBytes(24).toString("base64url");

interface Doors {
	/** Where one enters: a studio that is not written down yet by the key of its first page. */
	first: string;
	/** Of the demo: where a studio of one's own is begun beside it. */
	beside: string | undefined;
	/** What the server has to know of these keys. */
	env: Record<string, string>;
}

function doorsOf(address: string, which: Which, settings: Settings, key: string | undefined): Doors {
	const withKey = (one: string) => `${address}/begin?key=${one}`;
	// Who reaches the door of the demo may leave it for a studio of their own only where that is this machine’s user.
	const leave = which === "demo" && !settings.databaseUrl && !isExposed(settings) ? newKey() : undefined;
	return {
		first: key ? withKey(key) : address,
		beside: leave ? withKey(leave) : which === "demo" ? "./start --own" : undefined,
		env: { ...(key && { ZEPHYR_BEGIN_KEY: key }), ...(leave && { ZEPHYR_LEAVE_KEY: leave }) },
	};
}

/** What the server tells: that somebody wants a studio of their own, with the key they hold; that they have written it down. */
interface FromServer {
	begin?: string;
	begun?: true;
}

function readSettings(): Settings {
	return {
		host: process.env.ZEPHYR_HOST || "127.0.0.1",
		port: readPort(process.env.ZEPHYR_PORT || "4810"),
		publicUrl: process.env.ZEPHYR_PUBLIC_URL,
		proxies: process.env.ZEPHYR_TRUST_PROXY,
		databaseUrl: process.env.ZEPHYR_DATABASE_URL,
	};
}

function readPort(text: string): number {
	const port = Number(text);
	if (!Number.isInteger(port) || port < 1 || port > 65535)
		throw new StartProblem(`ZEPHYR_PORT must be a number from 1 to 65535, not “${text}”.`);
	return port;
}

/** What goes beyond this machine goes over TLS: passwords and cookies in the clear are anybody's. */
function refuseOpenDoors(settings: Settings): void {
	if (isExposed(settings) && isPlain(settings.publicUrl))
		throw new StartProblem(
			"Beyond this machine the application is reached over https only. Put a TLS proxy in front of it and say so: ZEPHYR_PUBLIC_URL=https://… ZEPHYR_TRUST_PROXY=1 (docs/running.md).",
		);
}

async function throwAway(folder: string, which: Which): Promise<void> {
	if (!existsSync(join(folder, "pg"))) return;
	const ask = createInterface({ input: process.stdin, output: process.stdout });
	const reply = await ask.question(
		`This throws away everything in the database of ${which === "demo" ? "the demo studio" : "your own studio"}. Type “throw away” to go on: `,
	);
	ask.close();
	if (reply.trim() !== "throw away") throw new StartProblem("Nothing was thrown away.");
	const cluster = await startCluster(folder, true);
	await cluster.stop();
	for (const name of ["pg", "password", "roles.json", "port", "demo-sign-ins.json", "begun"])
		rmSync(join(folder, name), { recursive: true, force: true });
}

const noteIn = (folder: string) => join(folder, "demo-sign-ins.json");
const copiesIn = (folder: string) => join(folder, "copies");

/** Migrates, loads the demo into an empty database; says whether demo passwords are in force, and those of them that are noted. */
async function prepare(
	ownerUrl: string,
	noteFile: string,
	which: Which,
): Promise<{ signIns: DemoSignIn[]; demoInForce: boolean; begun: boolean }> {
	const connection = connect(ownerUrl, 2);
	try {
		await migrateTo(connection.db, "db/migrations");
		const [known] = await connection.db.select().from(studio).limit(1);
		if (!known && which === "demo") {
			say("Loading the demo studio …");
			// Only a first start needs it: it is half of all that would be compiled here.
			const { seedDemo } = await import("../demo/seed");
			writeDemoNote(noteFile, await seedDemo(connection.db, new Date()));
		}
		const inForce = await connection.db.select({ email: user.email }).from(user).where(eq(user.demoPassword, true));
		const signIns = readDemoNote(noteFile).filter(({ email }) => inForce.some((row) => row.email === email));
		writeDemoNote(noteFile, signIns);
		return { signIns, demoInForce: inForce.length > 0, begun: Boolean(known) || which === "demo" };
	} finally {
		await connection.close();
	}
}

function secretIn(folder: string): string {
	const file = join(folder, "secret");
	if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString("base64url"), { mode: 0o600 });
	return readFileSync(file, "utf8").trim();
}

function announce({ first, beside }: Doors, signIns: DemoSignIn[], folder: string, wished: string): void {
	say(`\n  Zephyr Flats   ${first}\n`);
	if (beside) say(`  The demo studio. One of your own is begun beside it here:\n  ${beside}\n`);
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
