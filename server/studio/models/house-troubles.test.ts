import { describe, expect, it } from "vitest";
import { houseTroubles, LEAST_FREE_BYTES, OLD_COPY_S, UNHEARD_S } from "./house-troubles";

describe("what is wrong with the house itself", () => {
	it.each([
		["nothing known yet", {}, []],
		["all well", { kilns: { agoS: 3, freeBytes: 40e9 }, backup: { agoS: 3600 } }, []],
		[
			"exactly at its limits",
			{ kilns: { agoS: UNHEARD_S, freeBytes: LEAST_FREE_BYTES }, backup: { agoS: OLD_COPY_S } },
			[],
		],
		["nobody listens", { kilns: { agoS: 300 } }, ["for 5 min"]],
		["just not heard", { kilns: { agoS: 46 } }, ["for 46 s"]],
		["the disk is nearly full", { kilns: { agoS: 3, freeBytes: 300 * 1024 * 1024 } }, ["Only 300 MB"]],
		["no copy for days", { kilns: { agoS: 3 }, backup: { agoS: 4 * 86_400 } }, ["4 days old"]],
		[
			"all at once",
			{ kilns: { agoS: 9000, freeBytes: 0 }, backup: { agoS: 3e6 } },
			["for 3 h", "Only 0 MB", "35 days"],
		],
	])("%s", (_, beats, words) => {
		const said = houseTroubles(beats);
		expect(said).toHaveLength(words.length);
		words.forEach((word, i) => {
			expect(said[i]).toContain(word);
		});
	});
});
