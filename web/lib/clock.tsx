import { createContext, type ReactNode, useContext, useMemo, useSyncExternalStore } from "react";

interface Clock {
	/** The instant of the server's first picture, ms. */
	startMs: number;
	/** How far this browser's clock is ahead of the studio's, ms; 0 where they about agree. */
	aheadMs: number;
}

const Context = createContext<Clock>({ startMs: 0, aheadMs: 0 });

/** A browser's clock that is off by more than this is not believed, ms. */
const ABOUT_RIGHT_MS = 120_000;

/** The studio's clock, by the instant the server said. Nothing is redrawn by it but what asks {@link useNow}. */
export function ClockProvider({ now, children }: { now: string; children: ReactNode }) {
	const clock = useMemo(() => {
		const startMs = Date.parse(now);
		const aheadMs = Date.now() - startMs;
		return { startMs, aheadMs: Math.abs(aheadMs) > ABOUT_RIGHT_MS ? aheadMs : 0 };
	}, [now]);
	return <Context.Provider value={clock}>{children}</Context.Provider>;
}

const waiting = new Set<() => void>();
let ticking: ReturnType<typeof setInterval> | undefined;

function onTick(redraw: () => void): () => void {
	waiting.add(redraw);
	ticking ??= setInterval(() => {
		for (const each of waiting) each();
	}, 1000);
	return () => {
		waiting.delete(redraw);
		if (waiting.size > 0) return;
		clearInterval(ticking);
		ticking = undefined;
	};
}

/**
 * The present instant, ms, moving on by itself: the component that asks is drawn again when it moves, and no other.
 * @param everyS it moves in steps of this many seconds: 60 for what shows no seconds
 */
export function useNow(everyS = 1): number {
	const { startMs, aheadMs } = useContext(Context);
	const stepMs = everyS * 1000;
	return useSyncExternalStore(
		onTick,
		() => Math.floor((Date.now() - aheadMs) / stepMs) * stepMs,
		() => startMs,
	);
}
