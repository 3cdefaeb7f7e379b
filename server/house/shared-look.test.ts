import { describe, expect, it } from "vitest";
import { sharedLook } from "./shared-look";

describe("one answer for all who look at once", () => {
	const setUp = () => {
		let clock = 0;
		const made: string[] = [];
		const look = sharedLook(
			1000,
			async (key: string) => {
				made.push(key);
				if (key === "broken") throw new Error("not now");
				return `${key} ${made.length}`;
			},
			() => clock,
		);
		return { look, made, pass: (ms: number) => (clock += ms) };
	};

	it("is made once for sixty, and again when it is old", async () => {
		const { look, made, pass } = setUp();
		const answers = await Promise.all(Array.from({ length: 60 }, () => look("kites")));
		expect(new Set(answers)).toEqual(new Set(["kites 1"]));
		pass(999);
		expect(await look("kites")).toBe("kites 1");
		pass(1);
		expect(await look("kites")).toBe("kites 2");
		expect(made).toHaveLength(2);
	});

	it("is made anew once what it rests on has changed", async () => {
		const { look } = setUp();
		expect(await look("kites")).toBe("kites 1");
		look.forget();
		expect(await look("kites")).toBe("kites 2");
	});

	it("is one for each thing, and what fails is asked for again", async () => {
		const { look, made } = setUp();
		expect(await Promise.all([look("a"), look("b")])).toEqual(["a 1", "b 2"]);
		await expect(look("broken")).rejects.toThrow("not now");
		await expect(look("broken")).rejects.toThrow("not now");
		expect(made.filter((one) => one === "broken")).toHaveLength(2);
		for (let i = 0; i < 300; i++) await look(`guess ${i}`);
		expect(await look("a")).not.toBe("a 1");
	});
});
