import type { ActionInput } from "@contract/actions";
import type { CutRun } from "@contract/stock";
import { useEffect, useState } from "react";
import { useAct } from "../../lib/api";

export const lineKeyOf = (runId: string, lineKey: string): string => `${runId} ${lineKey}`;

type Tap = ActionInput<"tickCut">;
const keyOf = ({ cutRunId, lineKey }: Tap): string => lineKeyOf(cutRunId, lineKey);

/**
 * Counts of every line, and taps that add to them. Each tap is an event of its own, shown at once and kept here until the studio has it:
 * what did not get through is sent again as the same event, and counts once.
 */
export function useTicks(runs: readonly CutRun[]) {
	const [taps, setTaps] = useState<readonly Tap[]>([]);
	const [answered, setAnswered] = useState<ReadonlyMap<string, number>>(new Map());
	const gone = ({ eventId }: Tap) => setTaps((before) => before.filter((one) => one.eventId !== eventId));
	const tick = useAct(
		"tickCut",
		({ done }, tap) => {
			setAnswered((before) => new Map(before).set(keyOf(tap), done));
			gone(tap);
		},
		"cut",
	);
	const kept = new Map(
		runs.flatMap(({ id, lines }) => lines.map((line) => [lineKeyOf(id, line.key), line.done] as const)),
	);
	const keptText = JSON.stringify([...kept]);
	// biome-ignore lint/correctness/useExhaustiveDependencies: a fresh list knows better than the answers before it
	useEffect(() => setAnswered(new Map()), [keptText]);
	const send = (tap: Tap) =>
		tick.mutate(tap, {
			// Refused is refused; without an answer it may have been kept, and waits to be sent again.
			onError: ({ status }) => status > 0 && status < 500 && gone(tap),
		});
	const doneOf = (key: string): number => {
		const sure = answered.get(key) ?? kept.get(key) ?? 0;
		return taps.filter((tap) => keyOf(tap) === key).reduce((sum, { more }) => Math.max(0, sum + more), sure);
	};
	return {
		doneOf,
		/** So many more of a line are done; fewer where it is negative. */
		add(key: string, more: number) {
			const [cutRunId = "", ...rest] = key.split(" ");
			const tap = { cutRunId, lineKey: rest.join(" "), eventId: crypto.randomUUID(), more };
			setTaps((before) => [...before, tap]);
			send(tap);
		},
		isPending: tick.isPending,
		error: tick.error,
		/** What did not get through, once more. */
		again: tick.error && taps.length > 0 && !tick.isPending ? () => taps.forEach(send) : undefined,
	};
}
