import { describe, expect, it } from "vitest";
import { exceptionsIn, kilnAddress, mayDial } from "./kiln-host";

// Ranges of the IANA registries of special-purpose addresses (RFC 6890).
describe("an address at which a kiln’s controller may be dialled", () => {
	it.each([
		["192.168.1.40", true],
		["10.0.0.7", true],
		["172.16.3.2", true],
		["fd12:3456::1", true],
		["203.0.113.9", false],
		["93.184.216.34", true],
		["127.0.0.1", false],
		["127.8.8.8", false],
		["::1", false],
		["::ffff:127.0.0.1", false],
		["0.0.0.0", false],
		["::", false],
		["169.254.169.254", false],
		["fe80::1", false],
		["224.0.0.1", false],
		["255.255.255.255", false],
		["not an address", false],
	])("%s: %s", (address, may) => {
		expect(mayDial("kiln", address, [])).toBe(may);
	});

	it("is another one where whoever runs the program says so, by name or by number", () => {
		const exceptions = exceptionsIn(" 127.0.0.1, bridge ,,");
		expect(mayDial("127.0.0.1", "127.0.0.1", exceptions)).toBe(true);
		expect(mayDial("bridge", "169.254.1.1", exceptions)).toBe(true);
		expect(mayDial("other", "169.254.1.1", exceptions)).toBe(false);
	});

	it("is resolved before it is judged: a name for this machine is this machine", async () => {
		await expect(kilnAddress("localhost")).rejects.toThrow("not dialled");
	});
});
