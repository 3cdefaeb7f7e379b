/** Whoever of those left out is promised first, by rank; Infinity where nobody is. The greater of two layings' is the better one. */
export const firstLeftOf = (ranks: readonly number[]): number => Math.min(Number.POSITIVE_INFINITY, ...ranks);
