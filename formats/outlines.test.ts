import { boundsOf } from "@core/geometry/bounds";
import { areaMm2 } from "@core/geometry/region";
import type { Result } from "@core/result";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { firstSaid, said } from "../tests/support/said";
import { outlinesFromDxf } from "./outline-from-dxf";
import { outlinesFromSvg } from "./outline-from-svg";
import type { OutlinesRead } from "./outlines";

const svg = (inside: string, head = 'width="100mm" height="100mm" viewBox="0 0 100 100"') =>
	`<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inside}</svg>`;
const read = (result: Result<OutlinesRead>): OutlinesRead => {
	if (!result.ok) throw new Error(firstSaid(result.problems));
	return result.value;
};
const sizes = (result: Result<OutlinesRead>) =>
	read(result).outlines.map(({ widthMm, heightMm }) => [Number(widthMm.toFixed(2)), Number(heightMm.toFixed(2))]);
const area = (result: Result<OutlinesRead>) => areaMm2([read(result).outlines[0]?.points ?? []]);
const sentence = (result: Result<OutlinesRead>) =>
	result.ok ? result.value.notes.map(said).join(" ") : firstSaid(result.problems);

describe("outlines from SVG", () => {
	// CSS Values and Units Level 3: 1in = 96px = 25.4mm = 72pt = 6pc.
	it.each([
		["millimetres by the view box", 'width="100mm" height="100mm" viewBox="0 0 100 100"', 40],
		["inches", 'width="2in" height="2in" viewBox="0 0 100 100"', 20.32],
		["a view box of other units", 'width="10cm" height="10cm" viewBox="0 0 1000 1000"', 4],
		["pixels without a view box: 96 to the inch", 'width="100" height="100"', 10.58],
		["no size at all: taken as millimetres", 'viewBox="0 0 100 100"', 40],
	])("reads %s", (_, head, mm) => {
		expect(sizes(outlinesFromSvg(svg('<rect x="5" y="5" width="40" height="40"/>', head)))).toEqual([[mm, mm]]);
	});

	it("reads every way of drawing, and turns y upwards", () => {
		const drawn = svg(
			'<path d="M10 10 h20 v10 h-20 z"/><polygon points="0,0 30,0 0,40"/><circle cx="50" cy="50" r="10"/><ellipse cx="20" cy="70" rx="15" ry="5"/>',
		);
		expect(sizes(outlinesFromSvg(drawn))).toEqual([
			[20, 10],
			[30, 40],
			[20, 20],
			[30, 10],
		]);
		const triangle = read(outlinesFromSvg(svg('<polygon points="0,0 30,0 0,40"/>'))).outlines[0]?.points ?? [];
		expect(triangle.filter(({ y }) => y > 19).length).toBe(2); // the right angle is at the top of an SVG, so it is at the top here
	});

	it("follows curves: a circle of four Béziers has the area of a circle within 0.1 %", () => {
		const k = 0.5522847498; // the usual constant for a quarter circle
		const c = 20 * k;
		const circle = `M20 0C20 ${c} ${c} 20 0 20C${-c} 20 -20 ${c} -20 0C-20 ${-c} ${-c} -20 0 -20C${c} -20 20 ${-c} 20 0Z`;
		expect(area(outlinesFromSvg(svg(`<path d="${circle}"/>`))) / (Math.PI * 400)).toBeCloseTo(1, 2);
	});

	it("applies transforms, outermost last", () => {
		const nested = '<g transform="translate(10 20) scale(2)"><rect width="10" height="5" transform="rotate(90)"/></g>';
		expect(sizes(outlinesFromSvg(svg(nested)))).toEqual([[10, 20]]);
	});

	it.each([
		["a bow tie is taken apart and said", svg('<path d="M0 0 L20 20 L20 0 L0 20 Z"/>'), /crosses itself/],
		[
			"an open line is left out",
			svg('<path d="M0 0 L20 20 L20 0"/><rect width="9" height="9"/>'),
			/1 open line left out/,
		],
		[
			"scripts are not looked at",
			svg('<script>alert(1)</script><rect width="9" height="9"/>'),
			/1 script, image or text/,
		],
		["entities are refused", '<!DOCTYPE svg [<!ENTITY a "b">]><svg/>', /entities/],
		["something else is refused", "<html><body>no</body></html>", /not an SVG|first element/],
		["half a file is refused", "<svg><path d='M0 0", /not an SVG|No closed outline/],
		["NaN is refused", svg('<path d="M0 0 L NaN 3 L 4 4 Z"/>'), /No closed outline|none/],
		["a huge one is refused", svg('<rect width="9000" height="9000"/>'), /at most 1500 mm/],
		[
			"a deep one does not overflow",
			svg(`${"<g>".repeat(6000)}<rect width="9" height="9"/>${"</g>".repeat(6000)}`),
			/more than 5000|not an SVG/,
		],
		["two megabytes are not read", svg(`<path d="${"M0 0".repeat(600_000)}"/>`), /at most 2 MB/],
	])("%s", (_, text, expected) => expect(sentence(outlinesFromSvg(text))).toMatch(expected));

	it("never throws, whatever it is given", () => {
		fc.assert(
			fc.property(fc.string(), fc.string(), (a, b) => {
				expect(
					typeof outlinesFromSvg(svg(`<path d="${a.replace(/["<&]/g, "")}" transform="${b.replace(/["<&]/g, "")}"/>`))
						.ok,
				).toBe("boolean");
				expect(typeof outlinesFromSvg(a).ok).toBe("boolean");
			}),
			{ numRuns: 300 },
		);
	});
});

const dxf = (entities: string, unit?: number) =>
	[
		...(unit === undefined ? [] : ["0", "SECTION", "2", "HEADER", "9", "$INSUNITS", "70", String(unit), "0", "ENDSEC"]),
		"0",
		"SECTION",
		"2",
		"ENTITIES",
		...entities.trim().split(/\s+/),
		"0",
		"ENDSEC",
		"0",
		"EOF",
	].join("\n");
const polyline = (points: readonly (readonly number[])[], closed = 1) =>
	`0 LWPOLYLINE 8 0 90 ${points.length} 70 ${closed} ${points.map(([x, y, bulge]) => `10 ${x} 20 ${y}${bulge === undefined ? "" : ` 42 ${bulge}`}`).join(" ")}`;
const RECTANGLE = [
	[0, 0],
	[4, 0],
	[4, 2],
	[0, 2],
];

describe("outlines from DXF", () => {
	// DXF Reference, HEADER section, $INSUNITS: 1 inches, 4 millimetres, 5 centimetres, 6 metres.
	it.each([
		[1, 101.6, 50.8],
		[4, 4, 2],
		[5, 40, 20],
		[undefined, 4, 2],
	])("with $INSUNITS %s", (unit, w, h) =>
		expect(sizes(outlinesFromDxf(dxf(polyline(RECTANGLE), unit)))).toEqual([[w, h]]),
	);

	it("where no unit is named it takes the one that was chosen, and says so", () => {
		const result = outlinesFromDxf(dxf(polyline(RECTANGLE)), 25.4);
		expect(sizes(result)).toEqual([[101.6, 50.8]]);
		expect(sentence(result)).toContain("names no unit");
	});

	// DXF Reference, LWPOLYLINE: bulge is the tangent of a quarter of the arc's angle; 1 is a half circle.
	it("bulges are arcs: two half circles make a circle", () => {
		const circle = dxf(
			polyline([
				[0, 0, 1],
				[20, 0, 1],
			]),
			4,
		);
		expect(area(outlinesFromDxf(circle)) / (Math.PI * 100)).toBeCloseTo(1, 2);
		expect(area(outlinesFromDxf(dxf("0 CIRCLE 8 0 10 5 20 5 40 10", 4))) / (Math.PI * 100)).toBeCloseTo(1, 2);
	});

	it.each([
		["an open polyline", dxf(polyline(RECTANGLE, 0), 4), /No closed outline/],
		["nothing", "", /not a DXF|nothing in this DXF/],
		["a picture", "\u0089PNG\r\n\u001a\n", /not a DXF|nothing in this DXF/],
		[
			"a kilometre",
			dxf(
				polyline([
					[0, 0],
					[2e9, 0],
					[0, 2e9],
				]),
				6,
			),
			/kilometre/,
		],
	])("%s is refused with a sentence", (_, text, expected) => expect(sentence(outlinesFromDxf(text))).toMatch(expected));

	it("never throws, whatever it is given", () => {
		fc.assert(
			fc.property(fc.string(), (text) => typeof outlinesFromDxf(text).ok === "boolean"),
			{ numRuns: 300 },
		);
	});

	it("an outline of thousands of points is thinned to what a kit holds, and keeps its area", () => {
		const wavy = Array.from({ length: 4000 }, (_, i) => {
			const angle = (i / 4000) * 2 * Math.PI;
			const r = 100 + 3 * Math.sin(angle * 40);
			return [Number((r * Math.cos(angle)).toFixed(4)), Number((r * Math.sin(angle)).toFixed(4))];
		});
		const { points } = read(outlinesFromDxf(dxf(polyline(wavy), 4))).outlines[0] ?? { points: [] };
		expect(points.length).toBeLessThanOrEqual(500);
		const truth = areaMm2([wavy.map(([x = 0, y = 0]) => ({ x, y }))]);
		expect(areaMm2([points]) / truth).toBeCloseTo(1, 2);
		expect(boundsOf([points]).widthMm).toBeGreaterThan(200);
	});
});
