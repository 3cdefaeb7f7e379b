import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { KeptAnswers } from "./kept-answers";

/** Counts how often it is made; each is told by its number. */
function counting(byTheClock = false) {
	let times = 0;
	return async () => ({ value: ++times, byTheClock });
}

describe("kept answers", () => {
	beforeEach(() => void vi.useFakeTimers({ toFake: ["performance", "Date"] }).advanceTimersByTime(1000));
	afterEach(() => void vi.useRealTimers());

	it("are made once, for everybody who asks at once and afterwards", async () => {
		const kept = new KeptAnswers();
		const make = counting();
		const ask = () => kept.get("kits", ["kits"], make);
		const both = await Promise.all([ask(), ask()]);
		expect([...both, await ask()].map(({ text }) => text)).toEqual(["1", "1", "1"]);
	});

	it.each([
		[["kits"] as const, 2],
		[["glass", "stock"] as const, 2],
		[["classes"] as const, 1],
		// Units and time zone are in everything.
		[["studio"] as const, 2],
	])("after %j changed, what shows kits and glass has been made %i times", async (changed, times) => {
		const kept = new KeptAnswers();
		const make = counting();
		await kept.get("kits", ["kits", "glass"], make);
		kept.changed(changed);
		expect((await kept.get("kits", ["kits", "glass"], make)).value).toBe(times);
	});

	it("what was begun before a change is given to nobody who asks after it, and is not kept", async () => {
		const kept = new KeptAnswers();
		let finish = (_: string) => {};
		const slow = () =>
			new Promise<{ value: string; byTheClock: boolean }>((done) => {
				finish = (value) => done({ value, byTheClock: false });
			});
		const before = kept.get("today", ["pieces"], slow);
		await Promise.resolve();
		kept.changed(["pieces"]);
		const after = kept.get("today", ["pieces"], async () => ({ value: "after", byTheClock: false }));
		expect((await after).value).toBe("after");
		finish("before");
		expect((await before).value).toBe("before");
		expect((await kept.get("today", ["pieces"], slow)).value).toBe("after");
	});

	it("what looked at the clock is made again after ten seconds, anything else is not", async () => {
		const kept = new KeptAnswers();
		const [clock, plain] = [counting(true), counting()];
		const both = async () => [
			(await kept.get("dry", ["pieces"], clock)).value,
			(await kept.get("kits", ["kits"], plain)).value,
		];
		await both();
		vi.advanceTimersByTime(9000);
		expect(await both()).toEqual([1, 1]);
		vi.advanceTimersByTime(2000);
		expect(await both()).toEqual([2, 1]);
	});

	it("a failure is told to who asked, and made again", async () => {
		const kept = new KeptAnswers();
		const fails = () => Promise.reject(new Error("away"));
		await expect(kept.get("kits", ["kits"], fails)).rejects.toThrow("away");
		expect((await kept.get("kits", ["kits"], counting())).value).toBe(1);
	});
});
