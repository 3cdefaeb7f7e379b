import { describe, expect, it } from "vitest";
import { DEFAULT_KILN } from "../kiln/kiln";
import { METRIC, phraseText } from "../units/phrase";
import { type Start, whyNotStart } from "./may-start";

const start = (change: Partial<Start["kiln"]> = {}, moulds: Start["moulds"] = []): Start => ({
	schedule: {
		segments: [
			{ name: "up", rateCPerH: 150, targetC: 640, holdMin: 20 },
			{ name: "peak", rateCPerH: 200, targetC: 776, holdMin: 10 },
			{ name: "drop", rateCPerH: "full", targetC: 510, holdMin: 60 },
		],
	},
	kiln: { maxC: 900, maxSegments: 8, body: DEFAULT_KILN, shelves: [{ name: "fibre", release: "papered" }], ...change },
	moulds,
});
const dish = { name: "low dish", kind: "dish", maxC: 900, release: "washed" } as const;

describe("a firing that is about to start", () => {
	it.each([
		["as it was planned", start(), []],
		["on a mould that bears it", start({}, [dish]), []],
		["in a frame, which needs no wash", start({}, [{ ...dish, kind: "frame", release: "bare" }]), []],
		["in a kiln that may not get so hot any more", start({ maxC: 600 }), ["goes to 776 °C; this kiln to 600 °C"]],
		["on a controller with fewer segments", start({ maxSegments: 2 }), ["3 segments"]],
		["with worn elements", start({ body: { ...DEFAULT_KILN, powerW: 1800 } }), ["776 °C is never reached"]],
		["on a mould that bears less", start({}, [{ ...dish, maxC: 700 }]), ["“low dish” bears 700 °C"]],
		["on a mould without release", start({}, [{ ...dish, release: "bare" }]), ["sticks to it for good"]],
		["on a bare shelf", start({ shelves: [{ name: "mullite", release: "bare" }] }), ["Every shelf"]],
		["wrong in two ways", start({ maxC: 600, maxSegments: 1 }), ["600 °C", "takes 1"]],
	] as const)("%s", (_, its, words) => {
		const said = whyNotStart(its).map((one) => phraseText(one, METRIC));
		expect(said).toHaveLength(words.length);
		for (const [i, word] of words.entries()) expect(said[i]).toContain(word);
	});
});
