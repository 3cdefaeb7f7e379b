import { type Remote, wrap } from "comlink";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";

/** What is asked of a thread; undefined where the thread was ended before it answered. */
export type Ask<Api> = <T>(of: (remote: Remote<Api>) => Promise<T>) => Promise<T | undefined>;

interface Asked<Api> {
	ask: Ask<Api>;
	/** Ends it in the middle of its work; what is asked next is asked of a new one. */
	end(): void;
}

/** One worker, begun when it is first asked. Its remote lives as long as its thread: a second one would be cut off when the first is forgotten. */
function workerOf<Api>(make: () => Worker): Asked<Api> {
	let end: (() => void) | undefined;
	let ask: Ask<Api> | undefined;
	const begin = (): Ask<Api> => {
		const thread = make();
		const remote = wrap<Api>(thread);
		const ended = new Promise<undefined>((done) => {
			end = () => {
				thread.terminate();
				done(undefined);
			};
		});
		return (of) => Promise.race([of(remote), ended]);
	};
	return {
		ask(of) {
			ask ??= begin();
			return ask(of);
		},
		end() {
			end?.();
			[end, ask] = [undefined, undefined];
		},
	};
}

/** A worker that ends with the page. */
export function useWorker<Api>(make: () => Worker): Asked<Api> {
	const made = useRef(make);
	const worker = useMemo(() => workerOf<Api>(() => made.current()), []);
	useEffect(() => () => worker.end(), [worker]);
	return worker;
}

/** One question to a thread of its own. */
export async function askOnce<Api, T>(make: () => Worker, of: (remote: Remote<Api>) => Promise<T>): Promise<T> {
	const thread = make();
	try {
		return await of(wrap<Api>(thread));
	} finally {
		thread.terminate();
	}
}

export interface Search<Found> {
	/** The best so far, of what is searched for now. */
	found: Found | undefined;
	/** How much of the search is done, 0 to 1; 1 once nothing is searched for any more. */
	share: number;
	/** How long it has taken so far, ms. */
	ms: number;
	stop(): void;
}

/**
 * A search in a worker of its own: begun anew with every new key, ended by a stop or with the page. What an older search found is not shown.
 * @param key what the search depends on; null: there is nothing to search for
 * @param run tells what it finds, and how much of it is done
 */
export function useSearch<Api, Found>(
	make: () => Worker,
	key: string | null,
	run: (ask: Ask<Api>, tell: (found: Found | undefined, share: number) => void) => Promise<unknown>,
): Search<Found> {
	const { ask, end } = useWorker<Api>(make);
	const [state, setState] = useState<{ key: string; found: Found | undefined; share: number; ms: number }>();
	const [stopped, setStopped] = useState<string>();
	const newest = useRef(run);
	newest.current = run;
	const isOn = key !== null && stopped !== key;
	useEffect(() => {
		if (!isOn || key === null) return;
		const from = performance.now();
		let isCurrent = true;
		const tell = (found: Found | undefined, share: number) => {
			if (isCurrent)
				setState((before) => ({
					...{ key, share, ms: performance.now() - from },
					found: found ?? (before?.key === key ? before.found : undefined),
				}));
		};
		void newest.current(ask, tell);
		return () => {
			isCurrent = false;
			end();
		};
	}, [key, isOn, ask, end]);
	const own = state?.key === key ? state : undefined;
	return {
		found: own?.found,
		share: isOn ? (own?.share ?? 0) : 1,
		ms: own?.ms ?? 0,
		stop: useCallback(() => setStopped(key ?? undefined), [key]),
	};
}
