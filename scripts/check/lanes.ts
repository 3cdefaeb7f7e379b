/** Something that is run, after all that it needs. */
export interface Job {
	name: string;
	needs?: readonly string[] | undefined;
	/** How long it took last, s. */
	seconds: number;
}

/**
 * Runs all jobs, so many at a time. Of those that may begin, the one with most still behind it goes first: itself and the longest chain of
 * what waits for it (list scheduling by the longest path, Graham 1969: within 4/3 of the best on two lanes for jobs that need nothing).
 * What needs a job that is not among them does not wait for it.
 */
export async function inLanes<J extends Job>(
	jobs: readonly J[],
	lanes: number,
	run: (job: J) => Promise<void>,
): Promise<void> {
	const waiting = new Set(jobs);
	const unfinished = new Set(jobs.map(({ name }) => name));
	const behind = longestPaths(jobs);
	const ready = () =>
		[...waiting]
			.filter(({ needs = [] }) => !needs.some((name) => unfinished.has(name)))
			.sort((a, b) => (behind.get(b.name) ?? 0) - (behind.get(a.name) ?? 0))[0];
	const running = new Set<Promise<void>>();
	while (waiting.size > 0 || running.size > 0) {
		const next = running.size < lanes ? ready() : undefined;
		if (next) {
			waiting.delete(next);
			const one = run(next).finally(() => {
				unfinished.delete(next.name);
				running.delete(one);
			});
			running.add(one);
		} else if (running.size > 0) await Promise.race(running);
		else throw new Error(`These need each other: ${[...waiting].map(({ name }) => name).join(", ")}.`);
	}
}

/** Of each job, how long it and the longest chain that needs it take, s. */
function longestPaths(jobs: readonly Job[]): Map<string, number> {
	const behind = new Map<string, number>();
	const of = (job: Job, seen: readonly string[]): number => {
		const known = behind.get(job.name);
		if (known !== undefined) return known;
		const users = jobs.filter(({ name, needs = [] }) => needs.includes(job.name) && !seen.includes(name));
		const path = job.seconds + Math.max(0, ...users.map((user) => of(user, [...seen, job.name])));
		behind.set(job.name, path);
		return path;
	};
	for (const job of jobs) of(job, []);
	return behind;
}
