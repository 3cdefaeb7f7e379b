import { describe, expect, it } from "vitest";
import { codeOf } from "../journey/code";
import { bagCode, readBagCode } from "./bag-code";

describe("the code of a bag", () => {
	it("is read however it is written, and no piece's code is one", () => {
		for (const serial of [1, 2, 77, 200_000]) {
			const code = bagCode(serial);
			for (const text of [code, code.toLowerCase(), code.replace(" ", ""), ` ${code} `])
				expect(readBagCode(text)).toBe(code);
			expect(readBagCode(codeOf(serial))).toBeUndefined();
		}
	});

	it("tells a wrong sign", () => {
		const code = bagCode(5);
		const last = code.at(-1) === "2" ? "3" : "2";
		expect(readBagCode(code.slice(0, -1) + last)).toBeUndefined();
		expect(readBagCode("")).toBeUndefined();
	});
});
