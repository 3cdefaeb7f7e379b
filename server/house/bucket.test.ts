import { describe, expect, it } from "vitest";
import { ACTIONS, type Bucket, LOOKS, spend } from "./bucket";

const { burst: BURST, perS: PER_S } = ACTIONS;

describe("a token bucket", () => {
	it("lets a burst through at once, and no more", () => {
		let bucket: Bucket | undefined;
		for (let i = 0; i < BURST; i++) bucket = spend(bucket, 1, 0);
		expect(bucket?.left).toBe(0);
		expect(spend(bucket, 1, 0)).toBeUndefined();
	});

	it("fills again with time, never above the burst, and not when the clock steps back", () => {
		const empty = { left: 0, atMs: 10_000 };
		expect(spend(empty, 1, 11_000)?.left).toBeCloseTo(PER_S - 1, 9);
		expect(spend(empty, 1, 1e9)?.left).toBe(BURST - 1);
		expect(spend(empty, 1, 0)).toBeUndefined();
	});

	it("has more in it for who only looks, and an end all the same", () => {
		let bucket: Bucket | undefined = spend(undefined, 1, 0, LOOKS);
		let seen = 1;
		while (bucket) {
			bucket = spend(bucket, 1, 0, LOOKS);
			seen += bucket ? 1 : 0;
		}
		expect(seen).toBe(LOOKS.burst);
		expect(seen).toBeGreaterThan(BURST);
	});

	it("costs more what costs more", () => {
		expect(spend(undefined, 10, 0)?.left).toBe(BURST - 10);
		expect(spend({ left: 9, atMs: 0 }, 10, 0)).toBeUndefined();
	});
});
