/** What may be done at once, and how fast more may be done, per s. */
export interface Rate {
	burst: number;
	perS: number;
}

/** Actions of somebody: nobody's hands are faster; a program's are. */
export const ACTIONS: Rate = { burst: 120, perS: 20 };
/** What somebody looks at: pages ask again whenever something changes, several on several screens. */
export const LOOKS: Rate = { burst: 600, perS: 60 };
/** Pages that strangers at one address open: a class in one room at once, then one after the other. */
export const STRANGERS: Rate = { burst: 60, perS: 1 };

export interface Bucket {
	/** Actions that may be done now. */
	left: number;
	atMs: number;
}

/** A token bucket after an action that costs so much, or undefined where there is not enough in it. */
export function spend(
	bucket: Bucket | undefined,
	cost: number,
	nowMs: number,
	{ burst, perS }: Rate = ACTIONS,
): Bucket | undefined {
	const filled = bucket ? bucket.left + (Math.max(0, nowMs - bucket.atMs) / 1000) * perS : burst;
	const left = Math.min(burst, filled) - cost;
	return left < 0 ? undefined : { left, atMs: nowMs };
}
