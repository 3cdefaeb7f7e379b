import type { LoadView } from "@contract/loads";
import { describe, expect, it } from "vitest";
import { drawn, imperial, text } from "../../../tests/support/drawn";
import { ShelfMap } from "../../ui/shelf-map";
import { pieces } from "../studio/samples";
import { CannotFire } from "./cannot-fire";
import { Fillers } from "./fillers";
import Needs from "./needs";

const NOTHING: Pick<LoadView, "wet" | "untested" | "onMould" | "unjudged"> = {
	wet: [],
	untested: [],
	onMould: [],
	unjudged: 0,
};

describe("what no load takes yet", () => {
	const one = pieces[0] as (typeof pieces)[0];
	it("says nothing where everything may be fired", () => expect(drawn(<CannotFire view={NOTHING} />)).toBe(""));
	it.each<[string, Partial<typeof NOTHING>, RegExp, RegExp]>([
		["wet", { wet: [{ ...one, readyFrom: "2031-03-08T20:00:00Z" }] }, /wet until .*See it dry/, /href="\/dry"/],
		["of glass nobody tested", { untested: [one] }, /untested glass ?Test the glass/, /href="\/books\?tab=families"/],
		[
			"on a mould that stands bare",
			{ onMould: [{ mouldId: "m", name: "Chaff bowl", trouble: "bare", pieces: [one, ...pieces.slice(1, 3)] }] },
			/Chaff bowl ?stands bare ?It is washed ?3 wait for it/,
			/<button/,
		],
		[
			"on a mould that was put away",
			{ onMould: [{ mouldId: "m", name: "Chaff bowl", trouble: "putAway", pieces: [one] }] },
			/is put away ?Bring it back ?one waits for it/,
			/href="\/books\?tab=moulds"/,
		],
		[
			"larger than its mould",
			{ onMould: [{ mouldId: "m", name: "Chaff bowl", trouble: "tooSmall", pieces: [one] }] },
			/is too small: they would hang over its rim ?Another mould/,
			/href="\/piece\//,
		],
		["out of the kiln, not judged", { unjudged: 2 }, /2 pieces out of the kiln, not judged.*Judge/, /href="\/open"/],
	])("%s: the reason, and the one act that frees it", (_, part, words, act) => {
		const html = drawn(<CannotFire view={{ ...NOTHING, ...part }} />);
		expect(text(html)).toMatch(words);
		expect(html).toMatch(act);
	});
});

describe("what each piece needs", () => {
	const [a, b] = pieces as [(typeof pieces)[0], (typeof pieces)[0]];
	const gets = { level: "full" as const, firstRampCPerH: 166, airMin: 0, soakMin: 63, coolCPerH: 56 };
	const needs = {
		[a.id]: { ...gets, soakMin: 60, coolCPerH: 83 },
		[b.id]: { ...gets, firstRampCPerH: "full" as const },
	};
	it("stands beside what all get, the dearest first, what sets it bold, in everybody's degrees", () => {
		const html = <Needs needs={needs} gets={gets} costHours={{ [b.id]: 0.84 }} pieces={[a, b]} />;
		const words = text(drawn(html));
		expect(words).toMatch(/all get ?166 °C\/h ?– ?1 h 03 ?56 °C\/h/);
		expect(words.indexOf(b.code)).toBeLessThan(words.indexOf(a.code));
		expect(words).toContain("0.8 h");
		expect(words).toContain("full power");
		expect(drawn(html)).toContain('<td class="font-bold">56 °C/h</td>');
		expect(text(drawn(html, imperial))).toContain("299 °F/h");
	});
});

describe("lots in the corners", () => {
	const lot = { id: "l", name: "dot", count: 40, sizeMm: 10, familyId: "90", level: "full" as const, roomMm2: 9000 };
	it("stand with their room beside what is free, in everybody's units", () => {
		const html = <Fillers fillers={[lot]} chosen={[]} onChoose={() => {}} freeMm2={25_000} />;
		expect(text(drawn(html))).toMatch(/40 × dot, 10 mm 90 cm² of 250 cm² free/);
		expect(text(drawn(html, imperial))).toContain("14 in² of 39 in² free");
		expect(drawn(<Fillers fillers={[]} chosen={[]} onChoose={() => {}} freeMm2={0} />)).toBe("");
	});
});

describe("what stands on a shelf", () => {
	it("posts and thermocouple are drawn where they are, and said under the map", () => {
		const map = drawn(
			<ShelfMap
				shelf={{ widthMm: 500, heightMm: 400, marginMm: 15, shape: "rectangle" }}
				clearanceMm={5}
				doorSide="top"
				fixtures={[
					{ kind: "post", xMm: 60, yMm: 340, acrossMm: 38 },
					{ kind: "thermocouple", xMm: 250, yMm: 40, acrossMm: 6 },
				]}
				pieces={[]}
			/>,
		);
		expect(map).toContain('cx="60" cy="340" r="19"');
		// The rod comes in at the edge that is nearest.
		expect(map).toContain("M250 0L250 40");
		expect(text(map)).toMatch(/post ?thermocouple/);
	});
});
