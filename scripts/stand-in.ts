import type { ChildProcess } from "node:child_process";
import { isFree, StartProblem } from "./cluster";
import { run } from "./processes";
import type { Unprivileged } from "./unprivileged";

const KILNS = 2;
const TRIES = 40;

export interface RunningStandIn {
	/** Kiln number n listens on this + n. */
	basePort: number;
	/** How many there are. */
	count: number;
	process: ChildProcess;
	stop(): void;
}

/** The stand-in kilns in a process of their own, listening before this returns. */
export async function startStandIn(
	wishedPort: number,
	{ preload, as }: { preload?: readonly string[]; as?: Unprivileged | undefined } = {},
): Promise<RunningStandIn> {
	const basePort = await freeFrom(wishedPort);
	const process_ = run("stand-in", { args: [String(basePort), String(KILNS)], preload, as });
	await new Promise<void>((done, fail) => {
		process_.once("message", () => done());
		process_.once("exit", () => fail(new StartProblem("The stand-in kilns ended while starting.")));
	});
	return { basePort, count: KILNS, process: process_, stop: () => void process_.kill("SIGTERM") };
}

async function freeFrom(wished: number): Promise<number> {
	for (let base = wished; base < wished + TRIES * (KILNS + 1); base += KILNS + 1) {
		const free = await Promise.all(Array.from({ length: KILNS }, (_, i) => isFree(base + i + 1, "127.0.0.1")));
		if (free.every(Boolean)) return base;
	}
	throw new StartProblem(`No ports are free for the stand-in kilns from ${wished} on.`);
}
