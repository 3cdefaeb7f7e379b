import { RECORDER_SILENT_S, SILENT_S } from "@core/kiln/watch";
import { describe, expect, it } from "vitest";
import { mayOpen, openInstant } from "./may-open";

const start = new Date("2031-03-08T06:00:00Z");

const later = (minutes: number) => new Date(start.getTime() + minutes * 60_000);

const firing = { id: "this", startedAt: start, openS: 18 * 3600, speedUp: 1 };

const reading = (airC: number | null, at: Date, firingId: string | null = "this") => ({ airC, at, firingId });

describe("opening a kiln", () => {
	it("goes by time and by measured temperature, both", () => {
		expect(mayOpen(firing, reading(45, later(1081)), later(1081), SILENT_S)).toEqual({ may: true, why: "" });
		expect(mayOpen(firing, reading(45, later(1000)), later(1000), SILENT_S).why).toContain(
			"hotter than the kiln’s air shows",
		);
		expect(mayOpen(firing, reading(61, later(1100)), later(1100), SILENT_S).why).toBe(
			"The kiln still measures 61 °C; it opens at 50 °C.",
		);
		expect(mayOpen(firing, reading(null, later(1100)), later(1100), SILENT_S).why).toContain("sensor gives nothing");
		expect(mayOpen({ ...firing, startedAt: null }, reading(20, start), start, SILENT_S).why).toBe(
			"It has not been started.",
		);
	});

	it.each([
		["none at all", undefined, SILENT_S],
		["one older than its line may be silent", reading(30, later(1098)), SILENT_S],
		["a recorder’s of 20 minutes ago", reading(30, later(1080)), RECORDER_SILENT_S],
		["one dated ahead, by however little", reading(25, new Date(later(1100).getTime() + 1)), SILENT_S],
		["one dated months ahead", reading(25, later(120_000)), RECORDER_SILENT_S],
	])("trusts no reading that is not fresh: %s", (_, last, limitS) => {
		expect(mayOpen(firing, last, later(1100), limitS)).toEqual({
			may: false,
			why: "There is no fresh reading from this kiln.",
		});
	});

	it.each([["another", "other"] as const, ["no", null] as const])(
		"trusts no reading that was taken in %s firing",
		(_, firingId) => {
			expect(mayOpen(firing, reading(25, later(1100), firingId), later(1100), SILENT_S).why).toBe(
				"The kiln’s last reading is not of this firing.",
			);
		},
	);

	it("takes a recorder’s word for as long as recorders are silent", () => {
		expect(mayOpen(firing, reading(30, later(1090)), later(1100), RECORDER_SILENT_S).may).toBe(true);
	});

	it("goes by time alone where the kiln has no line", () => {
		expect(mayOpen(firing, undefined, later(1100), null).may).toBe(true);
		expect(mayOpen(firing, undefined, later(1000), null).may).toBe(false);
	});

	it("counts on the clock the kiln runs by", () => {
		expect(openInstant({ ...firing, speedUp: 60 })).toEqual(later(18));
		expect(openInstant({ ...firing, startedAt: null })).toBeNull();
	});
});
