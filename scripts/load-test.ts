import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { cpus, tmpdir } from "node:os";
import { join } from "node:path";
import { newSchedule, PLAIN_PIECE } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { perform } from "@server/house/perform";
import autocannon, { type Client, type Request } from "autocannon";
import { hashPassword } from "better-auth/crypto";
import { and, asc, eq, gte, ne } from "drizzle-orm";
import { connect, type Database, migrateTo } from "../db/connect";
import { account, firing, kiln, kilnReading, user } from "../db/schema";
import { seedDemo } from "../demo/seed";
import { buildIfChanged } from "./build";
import { freePort, placeFor, startCluster } from "./cluster";
import { answers, ended, run } from "./processes";
import { startStandIn } from "./stand-in";

/**
 * A real server under mixed work: people who look at every station and do things, each signed in for themselves, while a kiln is
 * listened to four times a second. Prints a table; fails where a request fails or a reading is lost.
 */
const PEOPLE = 50;
const SECONDS = Number(process.argv[2] ?? 60);
const PASSWORD = "ladder tarpaulin vinegar";
/** A fast clock: this kiln is read at every tick of the worker. */
const SPEED_UP = 60;
const TICK_MS = 250;
/** A reading is lost where none was kept for so many ticks, unless the machine itself stood still. */
const LOST_TICKS = 20;

const VIEWS = [
	"frame",
	"today",
	"kits",
	"cut",
	"bench",
	"dry",
	"load",
	"fire",
	"open",
	"handOver",
	"kilns",
	"schedules",
];
const PAGES = ["/", "/bench", "/load", "/fire", "/hand-over"];

async function people(db: Database): Promise<string[]> {
	const password = await hashPassword(PASSWORD);
	const emails: string[] = [];
	for (let i = 0; i < PEOPLE; i++) {
		const [id, email] = [randomUUID(), `hand${i}@tailvane.example`];
		const role = i % 2 === 0 ? "instructor" : "assistant";
		await db.insert(user).values({ id, name: `Hand ${i}`, email, role, emailVerified: true });
		await db
			.insert(account)
			.values({ id: randomUUID(), accountId: id, providerId: "credential", userId: id, password });
		emails.push(email);
	}
	return emails;
}

async function cookieOf(address: string, email: string): Promise<string> {
	const response = await fetch(`${address}/api/auth/sign-in/email`, {
		method: "POST",
		headers: { "Content-Type": "application/json", Origin: address },
		body: JSON.stringify({ email, password: PASSWORD }),
	});
	return response.headers
		.getSetCookie()
		.map((cookie) => cookie.split(";")[0])
		.join("; ");
}

/** A kiln that is fired on a fast clock. Returns its id. */
async function fireOne(db: Database): Promise<string> {
	const [person] = await db.select().from(user).where(eq(user.role, "instructor"));
	const [free] = await db
		.select()
		.from(kiln)
		.where(and(eq(kiln.name, "Silo kiln"), ne(kiln.kind, "microwaveBlock")));
	const [firingId, kilnId] = [randomUUID(), free?.id ?? ""];
	const actor = { id: person?.id ?? "", sessionId: "", name: person?.name ?? "", role: "instructor" as const };
	const asking = () => ({ actor, now: new Date(), headers: new Headers() });
	await db.update(firing).set({ state: "opened" }).where(eq(firing.state, "running"));
	const document = newSchedule("under load", FAMILY_90, DEFAULT_KILN, [PLAIN_PIECE]);
	const plan = { firingId, kilnId, scheduleId: null, document, what: "under load" };
	await perform(db, "planFiring", plan, asking());
	await perform(db, "startFiring", { firingId, speedUp: SPEED_UP, somebodyThere: true }, asking());
	return kilnId;
}

/** What one person does over and over: looks about, and now and then signs somebody's safety talk. */
function rounds(cookie: string, origin: string, sign: unknown): Request[] {
	const headers = { Cookie: cookie };
	const looks: Request[] = VIEWS.map((view) => ({ method: "GET", path: `/api/see/${view}`, headers }));
	const pages: Request[] = PAGES.map((path) => ({ method: "GET", path, headers }));
	const does: Request = {
		method: "POST",
		path: "/api/do/signSafety",
		headers: { ...headers, Origin: origin, "Content-Type": "application/json" },
		body: JSON.stringify(sign),
	};
	return [...looks, does, ...pages, does];
}

async function main(): Promise<void> {
	buildIfChanged();
	const folder = await placeFor(mkdtempSync(join(tmpdir(), "zephyr-load-")));
	const cluster = await startCluster(folder, true);
	const { db, close } = connect(cluster.url, 4);
	const port = await freePort();
	const standIn = await startStandIn(await freePort(3));
	const address = `http://127.0.0.1:${port}`;
	const env = {
		...process.env,
		HOST: "127.0.0.1",
		PORT: String(port),
		NODE_ENV: "production",
		DATABASE_URL: cluster.url,
		ZEPHYR_SECRET: randomUUID() + randomUUID(),
		ZEPHYR_PUBLIC_URL: address,
		...standIn.env,
	};
	Object.assign(process.env, standIn.env);
	await migrateTo(db, "db/migrations");
	await seedDemo(db, new Date());
	const emails = await people(db);
	const server = run("serve", { env });
	const jobs = run("jobs", { env });
	try {
		if (!(await answers(`${address}/api/health/ready`))) throw new Error("The server did not answer.");
		const cookies: string[] = [];
		for (const email of emails) cookies.push(await cookieOf(address, email));
		const kilnId = await fireOne(db);
		const bench = await (await fetch(`${address}/api/see/bench`, { headers: { Cookie: cookies[0] ?? "" } })).json();
		const sign = { sessionId: bench.session.id, studentIds: [bench.seats[0].studentId] };
		const from = new Date();
		let next = 0;
		const result = await autocannon({
			url: address,
			connections: PEOPLE,
			duration: SECONDS,
			timeout: 30,
			setupClient: (client: Client) => client.setRequests(rounds(cookies[next++ % PEOPLE] ?? "", address, sign)),
		});
		const kept = await db
			.select({ at: kilnReading.at })
			.from(kilnReading)
			.where(and(eq(kilnReading.kilnId, kilnId), gte(kilnReading.at, from)))
			.orderBy(asc(kilnReading.at));
		const gaps = kept.slice(1).map(({ at }, i) => at.getTime() - (kept[i]?.at.getTime() ?? 0));
		const longestMs = Math.max(...gaps);
		const bad = result.errors + result.timeouts + result.non2xx;
		console.log(`
| under load                                    |        |
| --------------------------------------------- | ------ |
| people at once, s                             | ${PEOPLE}, ${SECONDS} |
| cores                                         | ${cpus().length} |
| answers                                       | ${result.requests.total} |
| answers a second                              | ${Math.round(result.requests.average)} |
| half of them within, ms                       | ${result.latency.p50} |
| 99 of 100 within, ms                          | ${result.latency.p99} |
| errors, time-outs, other than 2xx             | ${bad} |
| readings of the hot kiln that were kept       | ${kept.length} |
| longest time between two of them, ms          | ${longestMs} |`);
		if (bad > 0 || kept.length === 0 || longestMs > LOST_TICKS * TICK_MS) process.exitCode = 1;
	} finally {
		await Promise.all([ended(server, "SIGTERM"), ended(jobs, "SIGTERM")]);
		await standIn.stop();
		await close();
		await cluster.stop();
		rmSync(folder, { recursive: true, force: true });
	}
}

await main();
