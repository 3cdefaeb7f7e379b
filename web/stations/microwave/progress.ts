import { afterLook, type Look, type MicrowaveStep } from "@core/microwave/programme";

/** Where a run is: steps already given, and the one that heats now. Kept in the browser, so that a reload loses nothing. */
export interface Progress {
	/** Steps still to come, the next first. */
	left: MicrowaveStep[];
	given: MicrowaveStep[];
	/** When the present step began, ms; null while the oven stands still. */
	heatingSinceMs: number | null;
}

export const begun = (plan: readonly MicrowaveStep[]): Progress => ({
	left: [...plan],
	given: [],
	heatingSinceMs: null,
});

/** The next step begins. */
export const heat = (progress: Progress, nowMs: number): Progress =>
	progress.left.length > 0 ? { ...progress, heatingSinceMs: nowMs } : progress;

/** The step ends, by itself or early: what was really given is kept. Under two seconds nothing was. */
export function stopHeat(progress: Progress, nowMs: number): Progress {
	const [step, ...left] = progress.left;
	if (!step || progress.heatingSinceMs === null) return progress;
	const seconds = Math.min(step.seconds, Math.round((nowMs - progress.heatingSinceMs) / 1000));
	const given = seconds < 2 ? progress.given : [...progress.given, { ...step, seconds }];
	return { left: seconds < 2 ? progress.left : left, given, heatingSinceMs: null };
}

/** Another short step at the last power. */
export function oneMore(progress: Progress, seconds: number): Progress {
	const last = progress.left.at(-1) ?? progress.given.at(-1);
	return last ? { ...progress, left: [...progress.left, { watts: last.watts, seconds }] } : progress;
}

export const leftS = ({ left, heatingSinceMs }: Progress, nowMs: number): number => {
	const step = left[0];
	if (!step) return 0;
	return heatingSinceMs === null ? step.seconds : Math.max(0, step.seconds - (nowMs - heatingSinceMs) / 1000);
};

export const givenS = ({ given }: Progress): number => given.reduce((sum, { seconds }) => sum + seconds, 0);

/** It was looked in: what was seen shortens or lengthens what is still to come. */
export function lookedIn(progress: Progress, seen: Look, wanted: Look): Progress {
	const watts = progress.given.at(-1)?.watts ?? progress.left[0]?.watts ?? 0;
	return watts === 0 ? progress : { ...progress, left: afterLook(progress.left, seen, wanted, watts) };
}
