/**
 * A kiln as one lumped body: C·dT/dt = q − UA·(T − T_room), q between 0 and the rated power.
 * Power W, loss W/K, heat capacity J/K, temperatures °C.
 */
export interface KilnBody {
	powerW: number;
	lossWPerK: number;
	capacityJPerK: number;
	roomC: number;
	/** How much hotter the glass is than the controller shows, near the peak, K; learned from judged firings. */
	offsetK?: number;
}

/** Where a kiln's offset counts in full, °C; in proportion below, nothing at room temperature. */
const OFFSET_IN_FULL_C = 600;

/** What the glass feels (°C) when the controller shows `shownC`. */
export function feltC(kiln: KilnBody, shownC: number): number {
	const share = Math.min(1, Math.max(0, (shownC - kiln.roomC) / (OFFSET_IN_FULL_C - kiln.roomC)));
	return shownC + (kiln.offsetK ?? 0) * share;
}

/** The hottest (°C) a kiln can get with all its power. */
export const ceilingC = (kiln: KilnBody): number => kiln.roomC + kiln.powerW / kiln.lossWPerK;

/** So near (K) to the hottest it can get a kiln never gets. */
const NEVER_NEARER_K = 5;

/** Whether a kiln with all its power ever gets so hot (°C). */
export const isReachable = (kiln: KilnBody, c: number): boolean => c <= ceilingC(kiln) - NEVER_NEARER_K;

/** A middling studio kiln; from memory, replaced by what a studio learns from its own logs. */
export const DEFAULT_KILN: KilnBody = { powerW: 5000, lossWPerK: 2.5, capacityJPerK: 33_000, roomC: 20 };

/** Seconds in which an unpowered kiln loses 63 % of its height above the room. */
export const timeConstantS = (kiln: KilnBody): number => kiln.capacityJPerK / kiln.lossWPerK;

/** Temperature (°C) after `s` seconds without power, from `fromC`. */
export const naturalCoolingC = (kiln: KilnBody, fromC: number, s: number): number =>
	kiln.roomC + (fromC - kiln.roomC) * Math.exp(-s / timeConstantS(kiln));

/** Seconds without power from `fromC` down to `toC`; Infinity at or below the room. */
export function coolingTimeS(kiln: KilnBody, fromC: number, toC: number): number {
	if (toC >= fromC) return 0;
	if (toC <= kiln.roomC) return Number.POSITIVE_INFINITY;
	return timeConstantS(kiln) * Math.log((fromC - kiln.roomC) / (toC - kiln.roomC));
}
