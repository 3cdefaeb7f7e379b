import type { MinuteSpan } from "./types";

/** The first minute from `at` on that lies in one of the spans, in order; Infinity after the last. */
export function nextIn(spans: readonly MinuteSpan[], at: number): number {
	let [low, high] = [0, spans.length];
	while (low < high) {
		const middle = (low + high) >> 1;
		if ((spans[middle] as MinuteSpan).to > at) high = middle;
		else low = middle + 1;
	}
	const span = spans[low];
	return span ? Math.max(at, span.from) : Number.POSITIVE_INFINITY;
}

/** The longest stretch between two minutes that lies in none of the spans, min. */
export function longestOutside(spans: readonly MinuteSpan[], from: number, to: number): number {
	let [left, longest] = [from, 0];
	for (const span of spans) {
		if (span.to <= left) continue;
		if (span.from >= to) break;
		longest = Math.max(longest, span.from - left);
		left = Math.max(left, span.to);
	}
	return Math.max(longest, to - left, 0);
}

/** The spans without those parts that lie in others. */
export function without(spans: readonly MinuteSpan[], taken: readonly MinuteSpan[]): MinuteSpan[] {
	return taken.reduce<MinuteSpan[]>(
		(left, { from, to }) =>
			left.flatMap((span) =>
				[
					{ from: span.from, to: Math.min(span.to, from) },
					{ from: Math.max(span.from, to), to: span.to },
				].filter((one) => one.from < one.to),
			),
		[...spans],
	);
}
