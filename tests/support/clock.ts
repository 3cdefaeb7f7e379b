import type { ChildProcess } from "node:child_process";
import { resolve } from "node:path";

export const STEPPED_CLOCK = [resolve("tests/support/stepped-clock.mjs")];

/** The clock of the processes under test. It runs until it is held. */
export interface TestClock {
	/** Stops it where it is. */
	hold(): Promise<void>;
	/** Moves the held clock on by this many ms, in every process before it returns. */
	step(ms: number): Promise<void>;
	/** The instant at which it is held, ms. */
	atMs(): number;
}

/** @param browsers tells the same to the browsers: what a page says by its own clock is true of the held one */
export function clockOf(
	processes: () => readonly ChildProcess[],
	browsers: (atMs: number) => Promise<unknown>,
): TestClock {
	let atMs = Number.NaN;
	const tell = async () => {
		await Promise.all(processes().map((one) => told(one, atMs)));
		await browsers(atMs);
	};
	return {
		async hold() {
			atMs = Date.now();
			await tell();
		},
		async step(ms) {
			if (Number.isNaN(atMs)) throw new Error("Hold the clock before you step it.");
			atMs += ms;
			await tell();
		},
		atMs: () => atMs,
	};
}

const told = (one: ChildProcess, clockMs: number): Promise<void> =>
	new Promise((done) => {
		const heard = (message: unknown) => {
			if ((message as { clockIsMs?: number })?.clockIsMs !== clockMs) return;
			one.off("message", heard);
			done();
		};
		one.on("message", heard);
		one.send({ clockMs });
	});
