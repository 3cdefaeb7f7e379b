import type { ChildProcess } from "node:child_process";
import { randomInt } from "node:crypto";
import type { StandInSays } from "../standins/main";
import { StartProblem } from "./cluster";
import { keepRunning, run } from "./processes";
import type { Unprivileged } from "./unprivileged";

const KILNS = 2;
const TRIES = 40;

export interface RunningStandIn {
	/** What the server has to know to find them: their ports, and that they are its own and no neighbour’s. */
	env: { ZEPHYR_STAND_IN_PORT: string; ZEPHYR_STAND_INS: string; ZEPHYR_STAND_IN_MARK: string };
	/** Kiln number n listens on this + n. */
	basePort: number;
	/** As it runs now. */
	process(): ChildProcess;
	stop(): Promise<void>;
}

interface Options {
	preload?: readonly string[];
	as?: Unprivileged | undefined;
	say?(line: string): void;
}

/** The stand-in kilns in a process of their own, listening before this returns: where a port is taken, on the next ones that are free. */
export async function startStandIn(
	wishedPort: number,
	{ preload, as, say = () => {} }: Options = {},
): Promise<RunningStandIn> {
	const mark = randomInt(1, 2 ** 32);
	for (let i = 0; i < TRIES; i++) {
		const basePort = wishedPort + i * (KILNS + 1);
		const start = () => run("stand-in", { args: [String(basePort), String(KILNS), String(mark)], preload, as });
		let child = start();
		const taken = await new Promise<number | undefined>((done, fail) => {
			child.once("message", (said: StandInSays) => done("taken" in said ? said.taken : undefined));
			child.once("exit", () => fail(new StartProblem("The stand-in kilns ended while starting.")));
		});
		if (taken !== undefined) {
			say(`Port ${taken} is taken by another program: the stand-in kilns look for others.`);
			continue;
		}
		const env = {
			ZEPHYR_STAND_IN_PORT: String(basePort),
			ZEPHYR_STAND_INS: String(KILNS),
			ZEPHYR_STAND_IN_MARK: String(mark),
		};
		// Once they listened they are started again at the same ports, cold: what they held in memory is gone.
		const again = () => {
			child = start();
			return child;
		};
		const kept = keepRunning(again, { first: child });
		return { env, basePort, process: () => child, stop: () => kept.stop() };
	}
	throw new StartProblem(`No ports are free for the stand-in kilns from ${wishedPort + 1} on.`);
}
