import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CODE_ALPHABET, CODE_COUNT, codeOf, readCode } from "./code";

const number = fc.integer({ min: 0, max: CODE_COUNT - 1 });

describe("piece codes", () => {
	it("are all different", () => {
		expect(new Set(Array.from({ length: CODE_COUNT }, (_, n) => codeOf(n))).size).toBe(CODE_COUNT);
	});

	it("read back however they are typed", () => {
		fc.assert(
			fc.property(number, (n) => {
				expect(readCode(` ${codeOf(n).toLowerCase().slice(0, 2)} ${codeOf(n).slice(2)}`)).toBe(codeOf(n));
			}),
		);
	});

	it("find every single wrong character", () => {
		fc.assert(
			fc.property(number, fc.integer({ min: 0, max: 4 }), fc.constantFrom(...CODE_ALPHABET), (n, at, other) => {
				const code = codeOf(n);
				fc.pre(code[at] !== other);
				expect(readCode(code.slice(0, at) + other + code.slice(at + 1))).toBeUndefined();
			}),
		);
	});

	it("find every swap of two neighbours", () => {
		fc.assert(
			fc.property(number, fc.integer({ min: 0, max: 3 }), (n, at) => {
				const code = codeOf(n);
				fc.pre(code[at] !== code[at + 1]);
				expect(readCode(code.slice(0, at) + code[at + 1] + code[at] + code.slice(at + 2))).toBeUndefined();
			}),
		);
	});

	it.each(["", "ABCDE", "22O2I", "2222", "222222"])("%j is no code", (text) => expect(readCode(text)).toBeUndefined());
	it("runs out with a sentence", () => expect(() => codeOf(CODE_COUNT)).toThrow(/No code/));
});
