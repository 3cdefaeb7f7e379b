import type { loadHeartbeats } from "@db/queries/heartbeats";

/** Listening is done all the time; not done for so long, somebody has to look at hot kilns, s. */
export const UNHEARD_S = 45;
/** Less than this is told while there is still time, bytes: readings, photos and the database's own log go on growing. */
export const LEAST_FREE_BYTES = 1024 ** 3;
/** A copy is made each night; older than this one is told, s. */
export const OLD_COPY_S = 2 * 86_400;

const MB = 1024 ** 2;

/** What is wrong with the house itself, in sentences that say what to do; shown on every screen. */
export function houseTroubles(beats: Awaited<ReturnType<typeof loadHeartbeats>>): string[] {
	const { kilns, backup } = beats;
	return [
		kilns && kilns.agoS > UNHEARD_S
			? `Nobody has listened to the kilns for ${duration(kilns.agoS)}. Go and look at one that is hot; then see that the program still runs.`
			: "",
		kilns?.freeBytes !== undefined && kilns.freeBytes < LEAST_FREE_BYTES
			? `Only ${Math.floor(kilns.freeBytes / MB)} MB are free on the studio’s disk. Make room before nothing more can be kept.`
			: "",
		backup && backup.agoS > OLD_COPY_S
			? `The last copy of the studio’s book is ${duration(backup.agoS)} old. Make one with ./backup, and see why the night’s was not made.`
			: "",
	].filter(Boolean);
}

const duration = (s: number): string =>
	s < 120
		? `${Math.round(s)} s`
		: s < 7200
			? `${Math.round(s / 60)} min`
			: s < 172_800
				? `${Math.round(s / 3600)} h`
				: `${Math.round(s / 86_400)} days`;
