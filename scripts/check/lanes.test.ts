import { describe, expect, it } from "vitest";
import { inLanes, type Job } from "./lanes";

/** Runs them by a clock of its own: each takes its seconds. Returns when each began, and when the last was over. */
async function timed(jobs: readonly Job[], lanes: number) {
	let now = 0;
	const began: Record<string, number> = {};
	const running: { ends: number; done: () => void }[] = [];
	const tick = () => {
		running.sort((a, b) => a.ends - b.ends);
		const next = running.shift();
		if (!next) return;
		now = next.ends;
		next.done();
	};
	const all = inLanes(jobs, lanes, (job) => {
		began[job.name] = now;
		return new Promise((done) => running.push({ ends: now + job.seconds, done }));
	});
	const over = all.then(() => true);
	while (!(await Promise.race([over, new Promise<false>((later) => setImmediate(() => later(false)))]))) tick();
	return { began, seconds: now };
}

describe("jobs in lanes", () => {
	it("the longest chain begins first, and two lanes end together where they can", async () => {
		const jobs = [
			{ name: "lint", seconds: 2 },
			{ name: "unit", seconds: 5 },
			{ name: "build", seconds: 3 },
			{ name: "e2e", seconds: 7, needs: ["build"] },
			{ name: "types", seconds: 3 },
		];
		const { began, seconds } = await timed(jobs, 2);
		expect(began).toEqual({ build: 0, unit: 0, e2e: 3, types: 5, lint: 8 });
		expect(seconds).toBe(10);
	});
	it("what is needed is over before; what is not among them is not waited for", async () => {
		const { began } = await timed(
			[
				{ name: "b", seconds: 1, needs: ["a", "elsewhere"] },
				{ name: "a", seconds: 4 },
			],
			3,
		);
		expect(began).toEqual({ a: 0, b: 4 });
	});
	it("never more at a time than there are lanes", async () => {
		const jobs = Array.from({ length: 6 }, (_, i) => ({ name: String(i), seconds: 1 }));
		expect((await timed(jobs, 2)).seconds).toBe(3);
		expect((await timed(jobs, 1)).seconds).toBe(6);
	});
	it("two that need each other are said, not waited for", async () => {
		const jobs = [
			{ name: "a", seconds: 1, needs: ["b"] },
			{ name: "b", seconds: 1, needs: ["a"] },
		];
		await expect(inLanes(jobs, 2, async () => {})).rejects.toThrow("These need each other: a, b.");
	});
	it("one that throws ends all with its error", async () => {
		await expect(
			inLanes([{ name: "a", seconds: 1 }], 2, async () => {
				throw new Error("no such program");
			}),
		).rejects.toThrow("no such program");
	});
});
