import { describe, expect, it } from "vitest";
import { firingCost } from "./firing-cost";

describe("a firing's cost", () => {
	// 12.9 kWh is the worked example of a 17.3 h fuse on a middling kiln; the prices are made up.
	const fuse = { kwh: 12.9, hours: 17.3 };
	it.each([
		[fuse, { kwhMinor: 31.5, shelfHourMinor: 150 }, { powerMinor: 406, kilnTimeMinor: 2595 }],
		[
			{ ...fuse, share: 0.1 },
			{ kwhMinor: 31.5, shelfHourMinor: 150 },
			{ powerMinor: 41, kilnTimeMinor: 260 },
		],
		[fuse, { kwhMinor: null, shelfHourMinor: null }, { powerMinor: null, kilnTimeMinor: null }],
		[fuse, { kwhMinor: 0, shelfHourMinor: null }, { powerMinor: 0, kilnTimeMinor: null }],
	])("%o at %o", (firing, tariff, cost) => expect(firingCost(firing, tariff)).toEqual(cost));
});
