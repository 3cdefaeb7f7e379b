import { describe, expect, it } from "vitest";
import { CLIENT_ADDRESS } from "../server/house/client";
import { trustedProxies, withClientAddress } from "./client-address";

// Addresses for documentation: RFC 5737.
const PEER = "192.0.2.9";

describe("who asks", () => {
	it.each([
		["without a proxy it is who the server sees, whatever is claimed", "203.0.113.7", 0, PEER],
		["behind one proxy it is who that one saw", "203.0.113.7", 1, "203.0.113.7"],
		[
			"what the sender wrote itself stands further left and is not believed",
			"198.51.100.1, 203.0.113.7",
			1,
			"203.0.113.7",
		],
		["behind two proxies it is who the outer one saw", "198.51.100.1, 203.0.113.7, 192.0.2.50", 2, "203.0.113.7"],
		["a proxy that says nothing is who the server sees", "", 1, PEER],
		["fewer hops than proxies: who the server sees", "203.0.113.7", 2, PEER],
	])("%s", (_, forwarded, proxies, address) => {
		const headers = { ...(forwarded && { "x-forwarded-for": forwarded }), host: "studio.test" };
		expect(withClientAddress(headers, PEER, proxies)).toEqual({ host: "studio.test", [CLIENT_ADDRESS]: address });
	});

	it("every claim goes, also one in our own name", () => {
		const claims = {
			forwarded: "for=203.0.113.7",
			"x-real-ip": "203.0.113.7",
			"x-forwarded-host": "elsewhere.test",
			"x-forwarded-proto": "https",
			[CLIENT_ADDRESS]: "203.0.113.7",
		};
		expect(withClientAddress(claims, PEER, 0)).toEqual({ [CLIENT_ADDRESS]: PEER });
	});

	it.each([
		[undefined, 0],
		["", 0],
		["1", 1],
		["2", 2],
		["yes", 0],
		["-1", 0],
		["1.5", 0],
	])("the setting %s is %d proxies", (setting, proxies) => {
		expect(trustedProxies(setting)).toBe(proxies);
	});
});
