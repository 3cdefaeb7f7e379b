import { type ChildProcess, fork } from "node:child_process";
import { resolve } from "node:path";
import { pathToFileURL } from "node:url";

/** After this long a process that ended by itself is started again, ms. */
const REST_MS = 1000;

export interface Kept {
	/** Ends it for good, and waits until it is gone. */
	stop(signal?: NodeJS.Signals): Promise<void>;
}

interface Running {
	args?: string[];
	env?: NodeJS.ProcessEnv;
	/** Modules that are loaded before the program. */
	preload?: readonly string[] | undefined;
}

/** Runs one of the product's own TypeScript programs with a channel to it: it ends when we end, however that happens. */
export const run = (file: string, { args = [], env = process.env, preload = [] }: Running = {}): ChildProcess =>
	fork(resolve(file), args, {
		execArgv: ["--import", "tsx", ...preload.flatMap((module) => ["--import", pathToFileURL(module).href])],
		stdio: ["ignore", "ignore", "inherit", "ipc"],
		detached: true, // Ctrl+C reaches us first
		env,
	});

/** Keeps one running until it is stopped: it is started again whenever it ends by itself. */
export function keepRunning(start: () => ChildProcess): Kept {
	let stopped = false;
	let child = start();
	const watch = (one: ChildProcess) =>
		one.once("exit", () => {
			if (stopped) return;
			setTimeout(() => {
				if (stopped) return;
				child = start();
				watch(child);
			}, REST_MS).unref();
		});
	watch(child);
	return {
		stop(signal = "SIGTERM") {
			stopped = true;
			return ended(child, signal);
		},
	};
}

/** Ends a process and waits until it is gone; killed where it does not go by itself. */
export async function ended(child: ChildProcess, signal: NodeJS.Signals, patienceMs = 4000): Promise<void> {
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
