import { type ChildProcess, fork } from "node:child_process";
import { resolve } from "node:path";
import { pathToFileURL } from "node:url";
import { builtProgram, type Program } from "./programs";
import type { Unprivileged } from "./unprivileged";

/** A process that ended by itself is started again after this, twice as long each time, ms. */
const REST_MS = 500;
const LONGEST_REST_MS = 30_000;
/** One that lived for so long was well; its rest begins anew, ms. */
const WELL_MS = 5000;

export interface Kept {
	/** Over once it ended so often in a row that it is not started again. */
	givenUp: Promise<void>;
	/** It has been well once: from now on it is started again however often it ends. */
	neverGiveUp(): void;
	/** Ends it for good, and waits until it is gone. */
	stop(signal?: NodeJS.Signals): Promise<void>;
}

interface Running {
	args?: string[];
	env?: NodeJS.ProcessEnv;
	/** Whom it runs as, where we are root. */
	as?: Unprivileged | undefined;
	/** Modules that are loaded before the program. */
	preload?: readonly string[] | undefined;
}

/** Runs one of the product's own programs, as it was built, with a channel to it: it ends when we end, however that happens. */
export const run = (program: Program, { args = [], env = process.env, as, preload = [] }: Running = {}): ChildProcess =>
	fork(resolve(builtProgram(program)), args, {
		execArgv: ["--enable-source-maps", ...preload.flatMap((module) => ["--import", pathToFileURL(module).href])],
		stdio: ["ignore", "ignore", "inherit", "ipc"],
		detached: true, // Ctrl+C reaches us first
		env: as ? { ...env, HOME: as.home, USER: as.name } : env,
		...(as && { uid: as.uid, gid: as.gid }),
	});

/**
 * Keeps one running until it is stopped: it is started again whenever it ends by itself, after ever longer rests.
 * @param most given up after so many ends in a row, none of which came after it had been well
 * @param first one that runs already
 */
export function keepRunning(
	start: () => ChildProcess,
	{ most = Number.POSITIVE_INFINITY, first = start() }: { most?: number; first?: ChildProcess } = {},
): Kept {
	let stopped = false;
	let ends = 0;
	let child = first;
	let giveUp = () => {};
	const givenUp = new Promise<void>((done) => {
		giveUp = done;
	});
	const watch = (one: ChildProcess, sinceMs: number) =>
		one.once("exit", () => {
			if (stopped) return;
			ends = performance.now() - sinceMs > WELL_MS ? 1 : ends + 1;
			if (ends >= most) return giveUp();
			setTimeout(() => {
				if (stopped) return;
				child = start();
				watch(child, performance.now());
			}, restMs(ends));
		});
	watch(child, performance.now());
	return {
		givenUp,
		neverGiveUp() {
			most = Number.POSITIVE_INFINITY;
		},
		stop(signal = "SIGTERM") {
			stopped = true;
			return ended(child, signal);
		},
	};
}

/** How long one rests before it is started again after so many ends in a row, ms. */
export const restMs = (ends: number): number => Math.min(LONGEST_REST_MS, REST_MS * 2 ** (ends - 1));

/** What is under way may be finished for so long; longer than the server gives its requests, ms. */
const ENDING_MS = 15_000;

/** Ends a process and waits until it is gone; killed where it does not go by itself. */
export async function ended(child: ChildProcess, signal: NodeJS.Signals, patienceMs = ENDING_MS): Promise<void> {
	if (child.exitCode !== null || child.signalCode !== null) return;
	const gone = new Promise<void>((done) => child.once("exit", () => done()));
	child.kill(signal);
	const late = setTimeout(() => child.kill("SIGKILL"), patienceMs);
	await gone;
	clearTimeout(late);
}

/** An answer that has not come after this is asked for again, ms. */
const ASK_AGAIN_MS = 5000;

/** Waits until a server answers there. Returns false where it does not within the patience, ms: a slow machine takes its time. */
export async function answers(url: string, patienceMs = 180_000): Promise<boolean> {
	const giveUp = performance.now() + patienceMs;
	while (performance.now() < giveUp) {
		const answered = await fetch(url, { signal: AbortSignal.timeout(ASK_AGAIN_MS) }).then(
			(response) => response.ok,
			() => false,
		);
		if (answered) return true;
		await new Promise((done) => setTimeout(done, 100));
	}
	return false;
}
