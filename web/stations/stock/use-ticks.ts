import type { CutRun } from "@contract/stock";
import { useEffect, useState } from "react";
import { useAct } from "../../lib/api";

export const lineKeyOf = (runId: string, lineKey: string): string => `${runId} ${lineKey}`;

/** Counts of every line, with what was tapped and is not kept yet. */
export function useTicks(runs: readonly CutRun[]) {
	const [tapped, setTapped] = useState<ReadonlyMap<string, number>>(new Map());
	const tick = useAct("tickCut", undefined, "cut");
	const kept = new Map(
		runs.flatMap(({ id, lines }) => lines.map((line) => [lineKeyOf(id, line.key), line.done] as const)),
	);
	const keptText = JSON.stringify([...kept]);
	// What was tapped is shown until the list has it; another tap meanwhile counts on from it.
	// biome-ignore lint/correctness/useExhaustiveDependencies: only a fresh list may end the wait
	useEffect(() => {
		if (!tick.isPending) setTapped(new Map());
	}, [keptText]);
	const doneOf = (key: string): number => tapped.get(key) ?? kept.get(key) ?? 0;
	return {
		doneOf,
		/** So many more of a line are done; fewer where it is negative. */
		add(key: string, n: number) {
			const done = Math.max(0, doneOf(key) + n);
			const [runId = "", ...rest] = key.split(" ");
			setTapped((before) => new Map(before).set(key, done));
			tick.mutate({ cutRunId: runId, lineKey: rest.join(" "), done });
		},
		isPending: tick.isPending,
		error: tick.error,
	};
}
