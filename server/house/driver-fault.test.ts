import { describe, expect, it } from "vitest";
import { isDriverFault } from "./driver-fault";

const thrown = (error: Error, place: string) =>
	Object.assign(error, {
		stack: `${error.name}: ${error.message}\n    at Socket.<anonymous> (${place})\n    at emit (node:events:1:1)`,
	});
const IN_DRIVER = "file:///app/node_modules/postgres/src/connection.js:254:12";

describe("an error that nobody caught", () => {
	it.each([
		[
			"a socket that is null by then",
			thrown(new TypeError("Cannot read properties of null (reading 'write')"), IN_DRIVER),
			true,
		],
		[
			"a stumble of our own",
			thrown(
				new TypeError("Cannot read properties of null (reading 'write')"),
				"file:///app/dist/server/entry.mjs:1:1",
			),
			false,
		],
		["another error of the driver", thrown(new RangeError("too long"), IN_DRIVER), false],
		["another type error of the driver", thrown(new TypeError("not a function"), IN_DRIVER), false],
		["no error at all", "null", false],
	])("%s", (_, error, is) => expect(isDriverFault(error)).toBe(is));
});
