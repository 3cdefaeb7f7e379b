import { availableParallelism } from "node:os";
import { resolve } from "node:path";
import { pathToFileURL } from "node:url";
import { MessageChannel } from "node:worker_threads";
import { Piscina } from "piscina";
import { Refusal } from "../house/refusal";
import type { Tasks } from "./tasks";

/** A task that is not done so long after it was begun is ended, ms: some times what the largest kit takes (docs/benchmarks.md). */
const LIMIT_MS = 10_000;
/** One that waits so long for a thread is given up, ms. */
const PATIENCE_MS = 30_000;
/** Tasks that may wait for a thread. */
const QUEUE = 32;
const THREAD_MB = 1024;

/** As it was built; compiled as it is loaded where nothing was: in tests, and while the program is written. */
const THREAD =
	process.env.NODE_ENV === "production"
		? { filename: pathToFileURL(resolve("dist/programs/thread.mjs")).href }
		: { filename: pathToFileURL(resolve("server/heavy/thread.ts")).href, execArgv: ["--import", "tsx"] };

let pool: Piscina | undefined;

const threads = (): Piscina => {
	pool ??= new Piscina({
		...THREAD,
		minThreads: 1,
		maxThreads: Math.max(1, Math.min(4, availableParallelism())),
		maxQueue: QUEUE,
		idleTimeout: 60_000,
		resourceLimits: { maxOldGenerationSizeMb: THREAD_MB },
	});
	return pool;
};

type Done<N extends keyof Tasks> = Awaited<ReturnType<Tasks[N]>>;

/**
 * Does what takes long in a thread of its own, so that pages, kilns and alarms go on. Ended at the limit: a thread that computes
 * for ever is stopped, not waited for.
 * @throws Refusal tooHeavy over the limit of time or memory, busy when too many wait
 */
export async function inPool<N extends keyof Tasks>(
	name: N,
	input: Parameters<Tasks[N]>[0],
	limitMs = LIMIT_MS,
): Promise<Done<N>> {
	const { port1: heard, port2: begun } = new MessageChannel();
	const stop = new AbortController();
	const impatient = setTimeout(() => stop.abort(BUSY), PATIENCE_MS);
	let tooLong: NodeJS.Timeout | undefined;
	heard.once("message", () => {
		clearTimeout(impatient);
		tooLong = setTimeout(() => stop.abort(TOO_HEAVY), limitMs);
	});
	try {
		return (await threads().run({ name, input, begun }, { transferList: [begun], signal: stop.signal })) as Done<N>;
	} catch (error) {
		throw refusalOf(error, stop.signal.reason) ?? error;
	} finally {
		clearTimeout(impatient);
		clearTimeout(tooLong);
		heard.close();
	}
}

const TOO_HEAVY = "tooHeavy";
const BUSY = "busy";

function refusalOf(error: unknown, stopped: unknown): Refusal | undefined {
	const { code, message } = error as { code?: string; message?: string };
	if (stopped === TOO_HEAVY || code === "ERR_WORKER_OUT_OF_MEMORY")
		return new Refusal(
			"tooHeavy",
			"This is too intricate to be computed and was stopped. Make it of fewer or simpler parts.",
		);
	if (stopped === BUSY || message === "Task queue is at limit")
		return new Refusal("busy", "The studio’s computer has too much to do just now. Try again in a moment.");
	return undefined;
}

/** Ends all threads; for tests. */
export async function closePool(): Promise<void> {
	await pool?.destroy();
	pool = undefined;
}
