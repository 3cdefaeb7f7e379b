import type { AlarmBrief } from "@contract/kilns";
import { checkSchedule } from "@core/firing/check-schedule";
import { newSchedule, PLAIN_PIECE, type ScheduleDocument, withSegment } from "@core/firing/document";
import { effectOf } from "@core/firing/effect";
import { curveOf } from "@core/firing/schedule";
import { FAMILY_90, FAMILY_96 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { simulateFiring } from "@core/kiln/simulate";
import { describe, expect, it } from "vitest";
import { drawn, imperial, text } from "../../../tests/support/drawn";
import { FiringChart } from "../../ui/firing-chart/firing-chart";
import { valueAt } from "../../ui/firing-chart/series";
import { AlarmBar } from "../../ui/frame/alarm-bar";
import { ShelfOutline } from "../kilns/shelf-outline";
import { stepsInWords } from "../microwave/microwave";
import { Compare } from "../schedules/compare";
import { handlesOf } from "../schedules/handles";
import { SegmentTable } from "../schedules/segment-table";
import { Warnings } from "../schedules/warnings";
import { FireNav } from "./fire-nav";
import { FlowBands } from "./flow-bands";
import { phaseBands } from "./phase-bands";
import { strips } from "./strips";

const full = newSchedule("Full", FAMILY_90, DEFAULT_KILN);
const tack = newSchedule("Tack", FAMILY_90, DEFAULT_KILN, [{ ...PLAIN_PIECE, level: "tack" }]);
const simulated = (document: ScheduleDocument) =>
	simulateFiring({ kiln: DEFAULT_KILN, schedule: document, family: FAMILY_90, thicknessMm: 6 });

describe("the flow bands", () => {
	it("say what the glass becomes, how near the next level is, and what was wanted where it is another", () => {
		const right = text(drawn(<FlowBands flow={0.46} level="tack" />));
		expect(right).toContain("tack");
		expect(right).toContain("0.46");
		expect(right).toMatch(/6\d % of the way to contour/);
		expect(right).not.toContain("wanted");
		expect(text(drawn(<FlowBands flow={0.9} level="tack" />))).toContain("wanted: tack");
		expect(text(drawn(<FlowBands flow={0.001} level="slump" />))).toContain("nothing lasting");
	});

	it("mark the zones and what is compared, and tell how far a firing has come", () => {
		const marked = drawn(
			<FlowBands
				flow={5}
				level="full"
				soFar={0.03}
				zones={[{ name: "by the door", flow: 3.1 }]}
				other={{ name: "x", flow: 1 }}
			/>,
		);
		expect(marked).toContain("by the door: 3.10");
		expect(marked).toContain("so far 0.030");
		expect(marked).toContain('stroke-dasharray="4 3"');
		expect(marked).not.toMatch(/NaN/);
	});
});

describe("the firing chart", () => {
	const measured = [
		{ s: 0, c: 20 },
		{ s: 3600, c: 240 },
		{ s: 3601, c: null },
		{ s: 9000, c: 500 },
		{ s: 9600, c: 520 },
	];

	it("leaves a gap where nothing was measured, and names every line", () => {
		const simulation = simulated(full);
		const chart = drawn(
			<FiringChart
				width={690}
				height={250}
				series={[
					{ name: "plan", points: curveOf(full, DEFAULT_KILN), kind: "plan" },
					{ name: "kiln, measured", points: measured, kind: "measured" },
				]}
				strips={strips(simulation, "C")}
				bands={phaseBands(full, DEFAULT_KILN)}
				openS={simulation.openS}
				nowS={9600}
				summary="a firing"
			/>,
		);
		const line = /d="([^"]*)" fill="none"[^>]*stroke-width="2.6"/.exec(chart)?.[1] ?? "";
		expect(line.match(/M/g)).toHaveLength(2);
		for (const words of [
			"plan",
			"kiln, measured",
			"tension passing through",
			"flow index so far",
			"figures as a table",
			"open",
			"now",
		])
			expect(text(chart)).toContain(words);
		expect(chart).not.toMatch(/NaN|undefined| style=/);
	});

	it("reads no value in a gap or outside", () => {
		const points = measured.map(({ s, c }) => ({ s, v: c }));
		expect(valueAt(points, 1800)).toBe(130);
		expect(valueAt(points, 5000)).toBeUndefined();
		expect(valueAt(points, 99_999)).toBeUndefined();
		expect(valueAt([], 0)).toBeUndefined();
	});

	it("names its phases in order, without holes", () => {
		const bands = phaseBands(full, DEFAULT_KILN);
		expect(bands.map(({ name }) => name)).toEqual(["up", "peak", "anneal", "down", "down", "to open"]);
		for (let i = 1; i < bands.length; i++) expect(bands[i]?.fromS).toBe(bands[i - 1]?.toS);
	});
});

describe("the points of a schedule", () => {
	const moved = (key: string, s: number, c: number, start: ScheduleDocument = full) => {
		let document = start;
		const handles = handlesOf(document, DEFAULT_KILN, (change) => (document = change(document)), String, {
			chosen: null,
			onChoose: () => {},
		});
		const handle = handles.find((one) => one.key === key);
		handle?.onMove(handle.s + s, handle.c + c);
		return document.segments;
	};

	it("change target and rate where a segment arrives, its hold where that ends", () => {
		const first = full.segments[0];
		const later = moved("0 arrives", 3600, 0)[0];
		expect(later?.targetC).toBe(first?.targetC);
		expect(later?.rateCPerH).toBeLessThan(first?.rateCPerH as number);
		expect(moved("1 arrives", 0, 10)[1]?.targetC).toBe((full.segments[1]?.targetC ?? 0) + 10);
		expect(moved("1 holds", 900, 0)[1]?.holdMin).toBe((full.segments[1]?.holdMin ?? 0) + 15);
	});

	it("never leave what a controller takes, and keep full power full", () => {
		expect(moved("1 arrives", 0, 5000)[1]?.targetC).toBe(1000);
		expect(moved("1 holds", -99_999, 0)[1]?.holdMin).toBe(1);
		expect(moved("2 arrives", 3000, -20)[2]?.rateCPerH).toBe("full");
		expect(moved("0 arrives", -1e9, 0)[0]?.rateCPerH).toBeLessThanOrEqual(2000);
	});
});

describe("the schedule as figures", () => {
	const table = (units?: "F") =>
		drawn(
			<SegmentTable document={tack} warnings={[]} chosen={1} onChoose={() => {}} onEdit={() => {}} />,
			units === "F" ? imperial : undefined,
		);

	it("are in the reader’s units, a rate without the offset", () => {
		expect(table()).toContain('value="560"');
		expect(table("F")).toContain('value="1040"');
		// 222 °C/h is 400 °F/h: a rate carries no offset (definition of the scale).
		expect(table("F")).toContain('value="400"');
		expect(table()).toContain("Rate of segment 1, up");
	});

	it("warn with a figure and a button, or say that nothing stands against it", () => {
		const fast = checkSchedule(withSegment(tack, 0, { rateCPerH: 900 }), FAMILY_90, DEFAULT_KILN);
		const words = text(drawn(<Warnings warnings={fast} onFix={() => {}} />));
		expect(words).toContain("900 °C/h");
		expect(words).toContain("Slow it to 222 °C/h");
		expect(text(drawn(<Warnings warnings={[]} onFix={() => {}} />))).toContain("Nothing stands against");
	});

	it("compare by what they do, family by family", () => {
		const effect = (document: ScheduleDocument) =>
			effectOf(document, DEFAULT_KILN, [FAMILY_90, FAMILY_96], simulated(document));
		const words = text(drawn(<Compare mine={effect(full)} other={{ name: "Tack", effect: effect(tack) }} />));
		expect(words).toContain("another level");
		expect(words).toMatch(/family 96/);
		expect(words).toMatch(/energy .*kWh/);
		expect(words).not.toMatch(/NaN|Infinity/);
	});
});

describe("kilns and alarms", () => {
	const alarm = (change: Partial<AlarmBrief> = {}): AlarmBrief => ({
		id: "a",
		kilnId: "k",
		kiln: "Silo kiln",
		firing: 10,
		kind: "powerLost",
		sentence: ["It fell from ", { c: 640 }, " to ", { c: 512 }, "."],
		startedAt: "2031-03-08T20:00:00Z",
		endedAt: null,
		seenAt: null,
		seenBy: null,
		...change,
	});

	it("an alarm says which kiln, since when and with what figures, and that it protects nothing", () => {
		const bar = text(drawn(<AlarmBar alarms={[alarm()]} house={[]} />));
		expect(bar).toContain("Silo kiln: power was lost");
		expect(bar).toContain("It fell from 640 °C to 512 °C.");
		expect(bar).toContain("protects nothing");
		expect(bar).toContain("Seen");
	});

	it("shows two at once, those nobody has seen first, and nothing where there is none", () => {
		const seen = alarm({ id: "b", kiln: "Hopper kiln", seenAt: "2031-03-08T20:01:00Z", seenBy: "Marit Oleandro" });
		const bar = text(drawn(<AlarmBar alarms={[seen, alarm(), alarm({ id: "c", kind: "noReading" })]} house={[]} />));
		expect(bar.indexOf("Silo")).toBeGreaterThan(-1);
		expect(bar).not.toContain("Hopper kiln");
		expect(bar).toContain("1 more on the firing’s page");
		expect(text(drawn(<AlarmBar alarms={[]} house={[]} />)).trim()).toBe("");
		expect(text(drawn(<AlarmBar alarms={[]} house={["Nobody listens."]} />))).toContain("Nobody listens.");
	});

	it.each(["rectangle", "round", "octagon"] as const)("a %s shelf is drawn to scale with its zones", (shelfShape) => {
		const zone = { name: "door side", xMm: 0, yMm: 300, widthMm: 400, heightMm: 100, offsetK: -9 };
		const outline = drawn(
			<ShelfOutline
				kiln={{
					name: "Silo",
					shelfShape,
					shelfWidthMm: 400,
					shelfHeightMm: 400,
					marginMm: 10,
					fixtures: [],
					zones: [zone],
					doorSide: "front",
				}}
				widthPx={200}
				labels
			/>,
		);
		expect(outline).toContain("Shelf of Silo, 400 × 400 mm, 1 zones");
		expect(text(outline)).toContain("door side −9 °C");
		expect(text(outline)).toContain("door on this side");
		expect(outline).not.toMatch(/NaN/);
	});

	it("a run of the block reads as it is pressed", () => {
		const steps = [
			{ watts: 350, seconds: 240 },
			{ watts: 500, seconds: 30 },
			{ watts: 500, seconds: 30 },
		];
		expect(stepsInWords(steps)).toBe("350 W 4:00, 500 W 0:30 ×2");
		expect(stepsInWords([])).toBe("");
	});

	it("the station’s four tables are named, the present one marked", () => {
		const nav = drawn(<FireNav here="/fire/kilns" />);
		expect(nav).toMatch(/href="\/fire\/kilns" aria-current="page"/);
		for (const words of ["Firings", "Schedules", "Microwave block"]) expect(text(nav)).toContain(words);
	});
});
