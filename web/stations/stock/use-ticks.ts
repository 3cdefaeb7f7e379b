import type { ActionInput } from "@contract/actions";
import type { CutRun } from "@contract/cutting";
import { lineKeyOf } from "@core/cutting/glass-lists";
import { useEffect, useState } from "react";
import { useAct } from "../../lib/api";

type Tap = ActionInput<"tickCut">;
const keyOf = ({ cutRunId, lineKey }: Tap): string => lineKeyOf(cutRunId, lineKey);

interface Count {
	done: number;
	broken: number;
}
const NONE: Count = { done: 0, broken: 0 };

/**
 * Counts of every line, and taps that add to them. Each tap is an event of its own, shown at once and kept here until the studio has it:
 * what did not get through is sent again as the same event, and counts once.
 */
export function useTicks(runs: readonly CutRun[]) {
	const [taps, setTaps] = useState<readonly Tap[]>([]);
	const [answered, setAnswered] = useState<ReadonlyMap<string, Count>>(new Map());
	const gone = ({ eventId }: Tap) => setTaps((before) => before.filter((one) => one.eventId !== eventId));
	const tick = useAct(
		"tickCut",
		(count, tap) => {
			setAnswered((before) => new Map(before).set(keyOf(tap), count));
			gone(tap);
		},
		"cut",
	);
	const kept = new Map(
		runs.flatMap(({ id, lines }) =>
			lines.map(({ key, done, broken }) => [lineKeyOf(id, key), { done, broken }] as const),
		),
	);
	const keptText = JSON.stringify([...kept]);
	// biome-ignore lint/correctness/useExhaustiveDependencies: a fresh list knows better than the answers before it
	useEffect(() => setAnswered(new Map()), [keptText]);
	const send = (tap: Tap) =>
		tick.mutate(tap, {
			// Refused is refused; without an answer it may have been kept, and waits to be sent again.
			onError: ({ status }) => status > 0 && status < 500 && gone(tap),
		});
	const countOf = (key: string): Count =>
		taps
			.filter((tap) => keyOf(tap) === key)
			.reduce(
				({ done, broken }, { more, broke = 0 }) => ({ done: Math.max(0, done + more), broken: broken + broke }),
				answered.get(key) ?? kept.get(key) ?? NONE,
			);
	return {
		doneOf: (key: string): number => countOf(key).done,
		brokenOf: (key: string): number => countOf(key).broken,
		/** Parts whose glass is cut: good ones and those that broke. */
		usedOf(key: string): number {
			const { done, broken } = countOf(key);
			return done + broken;
		},
		/** So many more of a line are done, fewer where it is negative; so many broke. */
		add(key: string, more: number, broke = 0) {
			const [cutRunId = "", ...rest] = key.split(" ");
			const tap = {
				cutRunId,
				lineKey: rest.join(" "),
				eventId: crypto.randomUUID(),
				more,
				...(broke > 0 && { broke }),
			};
			setTaps((before) => [...before, tap]);
			send(tap);
		},
		isPending: tick.isPending,
		error: tick.error,
		/** What did not get through, once more. */
		again: tick.error && taps.length > 0 && !tick.isPending ? () => taps.forEach(send) : undefined,
	};
}
export type Ticks = ReturnType<typeof useTicks>;
