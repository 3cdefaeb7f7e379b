/** Actions that somebody may do at once, and how fast more may be done, per s. Nobody's hands are faster; a program's are. */
export const BURST = 120;
export const PER_S = 20;

export interface Bucket {
	/** Actions that may be done now. */
	left: number;
	atMs: number;
}

/** A token bucket after an action that costs so much, or undefined where there is not enough in it. */
export function spend(bucket: Bucket | undefined, cost: number, nowMs: number): Bucket | undefined {
	const filled = bucket ? bucket.left + (Math.max(0, nowMs - bucket.atMs) / 1000) * PER_S : BURST;
	const left = Math.min(BURST, filled) - cost;
	return left < 0 ? undefined : { left, atMs: nowMs };
}
