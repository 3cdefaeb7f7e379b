import { QueryClient, QueryObserver } from "@tanstack/react-query";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { KeepCurrent } from "./keep-current";

const KEY = ["frame", {}];

/** A view asked over a slow network; the answer is what the studio was when it was asked. */
function slowView(latencyMs: number) {
	let studio = 0;
	const counts = { asked: 0, answered: 0, aborted: 0 };
	const queries = new QueryClient({
		defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY, networkMode: "always", retry: 0 } },
	});
	const observer = new QueryObserver(queries, {
		queryKey: KEY,
		initialData: 0,
		queryFn: ({ signal }) =>
			new Promise<number>((done, fail) => {
				counts.asked++;
				const seen = studio;
				signal.addEventListener("abort", () => {
					counts.aborted++;
					fail(new Error("aborted"));
				});
				setTimeout(() => {
					counts.answered++;
					done(seen);
				}, latencyMs);
			}),
	});
	const stop = observer.subscribe(() => {});
	const current = new KeepCurrent(queries, KEY, () => Date.now());
	return {
		counts,
		current,
		stop,
		shown: () => observer.getCurrentResult().data,
		change: () => {
			studio++;
		},
	};
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe("a view over a slow network", () => {
	it("gets through however fast changes come: none is aborted, and the last change is shown", async () => {
		const view = slowView(800);
		for (let ms = 0; ms < 9000; ms += 500) {
			view.change();
			view.current.heard();
			await vi.advanceTimersByTimeAsync(500);
			if (ms === 4500) expect(view.shown()).toBeGreaterThan(5);
		}
		await vi.advanceTimersByTimeAsync(2000);
		expect(view.counts.aborted).toBe(0);
		expect(view.counts.answered).toBeGreaterThanOrEqual(9);
		expect(view.shown()).toBe(18);
		view.stop();
	});

	it("is never asked twice at once, and once more after the last of many changes", async () => {
		const view = slowView(800);
		for (let i = 0; i < 20; i++) view.current.heard();
		await vi.advanceTimersByTimeAsync(5000);
		expect(view.counts.asked).toBe(2);
		view.stop();
	});

	it("does not show an answer from before what this page did", async () => {
		const view = slowView(800);
		await vi.advanceTimersByTimeAsync(1000);
		view.current.heard();
		await vi.advanceTimersByTimeAsync(400);
		view.change();
		view.current.did();
		await vi.advanceTimersByTimeAsync(700);
		expect(view.counts.aborted).toBe(1);
		expect(view.shown()).toBe(0);
		await vi.advanceTimersByTimeAsync(200);
		expect(view.shown()).toBe(1);
		view.stop();
	});

	it("gets through while somebody presses and presses", async () => {
		const view = slowView(800);
		for (let i = 0; i < 30; i++) {
			view.change();
			view.current.did();
			await vi.advanceTimersByTimeAsync(300);
		}
		expect(view.counts.answered).toBeGreaterThan(2);
		expect(view.shown()).toBeGreaterThan(10);
		view.stop();
	});
});
