/**
 * The value under which a share `p` (0–1) of sorted numbers lies, linear between neighbours; NaN of none.
 * Source: Hyndman & Fan, *Sample Quantiles in Statistical Packages* (1996), type 7.
 */
export function quantile(sorted: readonly number[], p: number): number {
	const at = (sorted.length - 1) * p;
	const low = sorted[Math.floor(at)];
	const high = sorted[Math.ceil(at)];
	return low === undefined || high === undefined ? Number.NaN : low + (high - low) * (at - Math.floor(at));
}
