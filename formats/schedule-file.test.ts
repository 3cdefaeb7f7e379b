import { newSchedule, PLAIN_PIECE } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { describe, expect, it } from "vitest";
import { firstSaid } from "../tests/support/said";
import { readScheduleCsv, scheduleCsv } from "./schedule-file";

const { segments } = newSchedule("test", FAMILY_90, DEFAULT_KILN, [{ ...PLAIN_PIECE, trappedSpanMm: 200 }]);

describe("segments as a table", () => {
	it("are read back as they were written", () =>
		expect(readScheduleCsv(scheduleCsv(segments))).toEqual({ ok: true, value: segments }));

	it("are read without names, with semicolons, and in °F where it says so", () => {
		const bare = readScheduleCsv("150;560;0\nfull;804;10\nfull;482;1:00");
		expect(bare.ok && bare.value.map(({ rateCPerH, targetC, holdMin }) => [rateCPerH, targetC, holdMin])).toEqual([
			[150, 560, 0],
			["full", 804, 10],
			["full", 482, 60],
		]);
		// 1480 °F is 804.4 °C and 400 °F/h is 222.2 °C/h (definition of the scale).
		const hot = readScheduleCsv("ramp °F/h,target °F,hold min\n400,1225,30\n600,1480,10");
		expect(hot.ok && hot.value[1]?.targetC).toBe(804.4);
		expect(hot.ok && hot.value[0]?.rateCPerH).toBeCloseTo(222.2, 1);
	});

	it("says which line it cannot read", () => {
		const wrong = readScheduleCsv("rate,target,hold\n150,560,0\nfast,804,10");
		expect(wrong).toMatchObject({ ok: false, problems: [{ path: [1] }] });
		expect(!wrong.ok && firstSaid(wrong.problems)).toContain("Line 2: “fast” is not a rate");
		expect(readScheduleCsv("").ok).toBe(false);
	});
});
