import { describe, expect, it } from "vitest";
import { mayOpen } from "../firing/may-open";
import { METRIC, phraseText } from "../units/phrase";
import { type HeatFacts, heatOf, READ_FOR_S, UNMEASURED } from "./heat";
import { RECORDER_SILENT_S, SILENT_S } from "./watch";

const NOW = Date.parse("2031-03-08T18:00:00Z");
const ago = (s: number) => NOW - s * 1000;
const facts = (change: Partial<HeatFacts> = {}): HeatFacts => ({
	nowMs: NOW,
	lineLimitS: SILENT_S,
	reading: { atMs: ago(5), airC: 45, ofThis: true },
	looked: undefined,
	unconfirmed: false,
	fault: undefined,
	plannedC: 540,
	...change,
});
const looked = (s: number, c = 44) => ({ looked: { atMs: ago(s), c, readBy: "Ada Quill" } });
const noLine = { lineLimitS: null, reading: undefined };

describe("what is known of a kiln's heat", () => {
	it.each([
		["a fresh reading", {}, "measured", undefined],
		["no line, something runs", noLine, "computed", "noLine"],
		["no line, nothing runs", { ...noLine, plannedC: null }, "nothing", "noLine"],
		["no line, a person read it", { ...noLine, ...looked(60) }, "read", undefined],
		["no line, a person read it too long ago", { ...noLine, ...looked(READ_FOR_S + 1) }, "computed", "noLine"],
		["no line, a reading dated ahead", { ...noLine, ...looked(-1) }, "computed", "noLine"],
		["a line that never said anything", { reading: undefined }, "nothing", "never"],
		["a silent line", { reading: { atMs: ago(SILENT_S + 1), airC: 45, ofThis: true } }, "nothing", "silent"],
		["a reading dated ahead", { reading: { atMs: NOW + 1, airC: 25, ofThis: true } }, "nothing", "silent"],
		["a sensor that gives nothing", { reading: { atMs: ago(5), airC: null, ofThis: true } }, "nothing", "sensorOpen"],
		["a sensor at fault", { fault: "fell" as const }, "nothing", "sensorFault"],
		["a recorder nobody confirmed", { unconfirmed: true }, "nothing", "unconfirmed"],
		["a sensor at fault, and a person", { fault: "fell" as const, ...looked(60) }, "read", undefined],
	] as const)("%s", (_, change, how, why) => {
		const heat = heatOf(facts(change));
		expect([heat.how, "why" in heat ? heat.why : undefined]).toEqual([how, why]);
	});

	it("has a figure of another name for each way of knowing: none can be shown as another", () => {
		const kinds = [facts(), facts({ ...noLine, ...looked(60) }), facts(noLine), facts({ fault: "jumped" })].map(heatOf);
		const figures = kinds.map((heat) => Object.keys(heat).filter((key) => key.endsWith("C")));
		expect(figures).toEqual([["measuredC"], ["readC"], ["computedC"], []]);
	});

	it("keeps what was last heard of a silent line, but nothing of a sensor at fault", () => {
		const silent = heatOf(facts({ reading: { atMs: ago(300), airC: 612, ofThis: true } }));
		expect(silent).toMatchObject({ how: "nothing", last: { lastC: 612 } });
		expect(heatOf(facts({ fault: "stands" }))).toMatchObject({ how: "nothing", last: null });
	});
});

describe("opening a kiln", () => {
	const open = (change: Partial<HeatFacts>, openAtMs: number | null = ago(60)) =>
		mayOpen(openAtMs, heatOf(facts(change)), NOW);
	const hot = (airC: number) => ({ reading: { atMs: ago(5), airC, ofThis: true } });

	it.each([
		["measured cool, its time has come", {}, true, false],
		["measured 61 °C", hot(61), false, false],
		["read as cool by a person", { ...noLine, ...looked(60) }, true, false],
		["read as 140 °C by a person", { ...noLine, ...looked(60, 140) }, false, true],
		["cool by the plan alone", { ...noLine, plannedC: 25 }, false, true],
		["not known at all", { ...noLine, plannedC: null }, false, true],
		["a reading of another firing", { reading: { atMs: ago(5), airC: 25, ofThis: false } }, false, true],
		["a reading too old for its line", { reading: { atMs: ago(120), airC: 25, ofThis: true } }, false, true],
		[
			"a recorder's, of ten minutes ago",
			{ lineLimitS: RECORDER_SILENT_S, reading: { atMs: ago(600), airC: 25, ofThis: true } },
			true,
			false,
		],
		["its sensor at fault", { fault: "fell" as const }, false, true],
		[
			"its sensor at fault, and a person read another thermometer",
			{ fault: "fell" as const, ...looked(60) },
			true,
			false,
		],
		["its recorder not confirmed", { unconfirmed: true }, false, true],
	] as const)("%s: %s", (_, change, may, asksDisplay) =>
		expect(open(change)).toMatchObject({ may, asksDisplay, why: may ? [] : expect.anything() }),
	);

	it("waits for the glass whatever is measured or read, and for a start", () => {
		expect(phraseText(open({}, NOW + 1).why, METRIC)).toContain("hotter than the kiln’s air shows");
		expect(open({ ...noLine, ...looked(60) }, NOW + 1).may).toBe(false);
		expect(phraseText(open({}, null).why, METRIC)).toBe("It has not been started.");
	});

	it("says the temperature in the reader's units", () => {
		const words = phraseText(open(hot(61)).why, { length: "in", temperature: "F" });
		expect(words).toBe("The kiln still measures 142 °F; it opens at 122 °F.");
	});

	it("has a sentence for everything that may be unmeasured", () => {
		for (const why of UNMEASURED)
			expect(mayOpen(ago(60), { how: "nothing", why, last: null }, NOW).why.length).toBeGreaterThan(0);
	});
});
