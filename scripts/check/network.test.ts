import { execFileSync } from "node:child_process";
import { expect, it } from "vitest";
import { ownNetwork } from "./network";

const run = ([file = "", ...args]: readonly string[]) => execFileSync(file, args, { encoding: "utf8" }).trim();

/** Says its interfaces, and how a connection to an address of RFC 5737, which is nobody's, ends. */
const LOOK = `
	const { networkInterfaces } = require("node:os");
	require("node:net").connect(9, "192.0.2.1").on("error", ({ code }) => console.log(Object.keys(networkInterfaces()).join() + " " + code));
`;

it("inside there is loopback and nothing else; who may not make a network is told why, and shares the machine’s", async () => {
	const network = await ownNetwork();
	try {
		if (network.shared === undefined) {
			expect(run(network.inside([process.execPath, "--eval", LOOK]))).toBe("lo ENETUNREACH");
			expect(run(network.inside([...network.out, "echo", "out again"]))).toBe("out again");
		} else {
			expect(network.shared.length).toBeGreaterThan(5);
			expect(network.inside(["echo", "here"])).toEqual(["echo", "here"]);
			expect(network.out).toEqual([]);
		}
	} finally {
		network.close();
	}
});
