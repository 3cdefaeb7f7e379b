import type { ChildProcess } from "node:child_process";
import { EventEmitter } from "node:events";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { keepRunning, restMs } from "./processes";

/** A process that ends when it is told to. */
class Fake extends EventEmitter {
	exitCode: number | null = null;
	signalCode: string | null = null;
	kill(): boolean {
		this.end();
		return true;
	}
	end(): void {
		this.exitCode = 1;
		this.emit("exit", 1);
	}
}

beforeEach(() => {
	vi.useFakeTimers();
});
afterEach(() => {
	vi.useRealTimers();
});

const starts = () => {
	const all: Fake[] = [];
	return {
		all,
		start: () => {
			const one = new Fake();
			all.push(one);
			return one as unknown as ChildProcess;
		},
	};
};

describe("a process that is kept running", () => {
	it("rests twice as long each time it ends, and never longer than half a minute", () => {
		expect([1, 2, 3, 4, 20].map(restMs)).toEqual([500, 1000, 2000, 4000, 30_000]);
	});

	it("is started again after each end, and not once it was stopped", async () => {
		const { all, start } = starts();
		const kept = keepRunning(start);
		all[0]?.end();
		await vi.advanceTimersByTimeAsync(499);
		expect(all).toHaveLength(1);
		await vi.advanceTimersByTimeAsync(1);
		expect(all).toHaveLength(2);
		await kept.stop();
		await vi.advanceTimersByTimeAsync(60_000);
		expect(all).toHaveLength(2);
	});

	it("that answered once is never given up: what listens to the kilns beside it is not stopped with it", async () => {
		const { all, start } = starts();
		let gaveUp = false;
		const kept = keepRunning(start, { most: 3 });
		void kept.givenUp.then(() => {
			gaveUp = true;
		});
		kept.neverGiveUp();
		for (let i = 0; i < 9; i++) {
			all.at(-1)?.end();
			await vi.advanceTimersByTimeAsync(30_000);
		}
		expect([all.length, gaveUp]).toEqual([10, false]);
		await kept.stop();
	});

	it("is given up after so many ends in a row; being well begins the count anew", async () => {
		const { all, start } = starts();
		let gaveUp = false;
		void keepRunning(start, { most: 3 }).givenUp.then(() => {
			gaveUp = true;
		});
		for (const [livedMs, restsMs] of [
			[0, 500],
			[0, 1000],
			[6000, 500],
			[0, 1000],
		] as const) {
			await vi.advanceTimersByTimeAsync(livedMs);
			all.at(-1)?.end();
			await vi.advanceTimersByTimeAsync(restsMs);
		}
		expect([gaveUp, all.length]).toEqual([false, 5]);
		all.at(-1)?.end();
		await vi.advanceTimersByTimeAsync(60_000);
		expect([gaveUp, all.length]).toEqual([true, 5]);
	});
});
