import { describe, expect, it } from "vitest";
import { isExposed, isPlain } from "./exposed";

// RFC 5735 and RFC 4291: what of a machine only itself reaches.
describe("whether others are meant to reach it", () => {
	it.each([
		["127.0.0.1", undefined, undefined, false],
		["::1", undefined, undefined, false],
		["localhost", "http://localhost:4810", "0", false],
		["127.0.0.1", "http://[::1]:4810", undefined, false],
		["0.0.0.0", undefined, undefined, true],
		["192.0.2.4", undefined, undefined, true],
		["127.0.0.1", "https://studio.example", undefined, true],
		["127.0.0.1", "no address", undefined, true],
		["127.0.0.1", undefined, "1", true],
	])("listening at %s, known as %s, behind %s proxies: %s", (host, publicUrl, proxies, exposed) => {
		expect(isExposed({ host, publicUrl, proxies })).toBe(exposed);
	});
});

describe("whether browsers would reach it in the clear", () => {
	it.each([
		[undefined, true],
		["", true],
		["http://studio.example", true],
		["https://studio.example", false],
	])("known as %s: %s", (publicUrl, plain) => {
		expect(isPlain(publicUrl)).toBe(plain);
	});
});
