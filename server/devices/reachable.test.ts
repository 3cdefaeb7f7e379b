import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { Reachable } from "./reachable";

beforeEach(() => {
	vi.useFakeTimers();
});
afterEach(() => {
	vi.useRealTimers();
});

const away = () => Promise.reject(Object.assign(new Error("no"), { code: "ECONNREFUSED" }));

it("a book that is away is not asked again for a while, and then again", async () => {
	const book = new Reachable();
	let asked = 0;
	const answers = async () => ++asked;
	expect(await book.ask(answers)).toBe(1);
	await expect(book.ask(away)).rejects.toThrow("no");
	expect(book.isAway).toBe(true);
	await expect(book.ask(answers)).rejects.toThrow("the book is away");
	expect(asked).toBe(1);
	await vi.advanceTimersByTimeAsync(2001);
	expect([book.isAway, await book.ask(answers)]).toEqual([false, 2]);
});

it("one that does not answer is away; one that says no is not", async () => {
	const book = new Reachable();
	const waiting = expect(book.ask(() => new Promise(() => {}))).rejects.toThrow("does not answer");
	await vi.advanceTimersByTimeAsync(4001);
	await waiting;
	expect(book.isAway).toBe(true);
	await vi.advanceTimersByTimeAsync(2001);
	await expect(book.ask(() => Promise.reject(new Error("a constraint")))).rejects.toThrow("a constraint");
	expect(book.isAway).toBe(false);
});
