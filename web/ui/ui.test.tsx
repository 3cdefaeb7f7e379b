import { FUSE_LEVELS, LEVEL_WORDS } from "@core/firing/level";
import { USUAL_CUSTOMS } from "@core/studio/customs";
import { describe, expect, it } from "vitest";
import { KITS } from "../../demo/kits";
import { GLASSES as DEMO_GLASSES } from "../../demo/studio";
import { drawn, imperial, text } from "../../tests/support/drawn";
import { box, cut, GLASSES, kit } from "../../tests/support/kit";
import { ChoiceField, NumberField, TextField } from "../forms/fields";
import { Trouble, troubleAt } from "../forms/notice";
import { TroubleError } from "../lib/api";
import { readPrefs } from "../lib/prefs";
import { findings, kilns, picture, pieces, plan, schedule } from "../stations/studio/samples";
import { FindingsList } from "./findings-list";
import { FiringChart } from "./firing-chart/firing-chart";
import type { Frame } from "./frame/frame";
import { KilnStrip } from "./frame/kiln-strip";
import { Rail } from "./frame/rail";
import { KitPlan } from "./kit-plan";
import { PieceTag } from "./piece-tag";
import { SegmentList } from "./segment-list";
import { lying, ShelfMap } from "./shelf-map";
import { Glow, LevelGlyph, SeverityMark, StackBar, SwatchPair } from "./signs";

const station = (count: number, late = 0) => ({ count, late, line: "waiting" });
const frame: Frame = {
	studio: "A room",
	isDemo: false,
	units: { length: "mm", temperature: "C" },
	timeZone: "America/Denver",
	person: { name: "Somebody", role: "instructor" },
	clearanceMm: 5,
	customs: USUAL_CUSTOMS,
	currency: "EUR",
	stations: {
		kits: station(3),
		cut: station(0),
		bench: station(40),
		dry: station(2),
		load: station(10, 2),
		handOver: station(4),
	},
	unjudged: 3,
	kilns: kilns.flat(),
	house: [],
	alarms: [],
};

describe("signs", () => {
	it.each(FUSE_LEVELS)("the glyph of %s stands with its word", (level) => {
		expect(text(drawn(<LevelGlyph level={level} />))).toContain(LEVEL_WORDS[level]);
	});

	it("every level has a picture of its own", () => {
		const shapes = FUSE_LEVELS.map((level) =>
			drawn(<LevelGlyph level={level} label={false} />).replace(/aria-label="[^"]*"/, ""),
		);
		expect(new Set(shapes).size).toBe(FUSE_LEVELS.length);
	});

	it("a stack bar says its layers from the shelf up, also when there are none", () => {
		expect(drawn(<StackBar stack={pieces[1]?.stack ?? []} />)).toContain(
			"stack 3 and 3 and 2 and 3 mm from the shelf up",
		);
		expect(drawn(<StackBar stack={[]} />)).toContain("<svg");
	});

	it("a swatch is a pair only where firing changes the colour", () => {
		expect(drawn(<SwatchPair bought="#aaaaaa" fired="#bb3311" label="rust" />)).toContain(
			"left as bought, right as fired",
		);
		expect(drawn(<SwatchPair bought="#aaaaaa" fired="#aaaaaa" label="grey" />)).not.toContain("as fired");
	});

	it("severity has a word and a shape of its own", () => {
		const marks = (["stop", "fix", "know"] as const).map((severity) => drawn(<SeverityMark severity={severity} />));
		expect(marks.map(text).map((word) => word.trim())).toEqual(["stop", "fix", "know"]);
		expect(new Set(marks.map((mark) => mark.match(/<path[^>]*>|<circle[^>]*>/)?.[0])).size).toBe(3);
	});

	it("a kiln below 500 °C does not glow", () => {
		expect(drawn(<Glow c={499} />)).toBe(drawn(<Glow c={20} />));
		expect(drawn(<Glow c={800} />)).not.toBe(drawn(<Glow c={20} />));
	});
});

describe("figures in the reader's units", () => {
	it("findings", () => {
		expect(text(drawn(<FindingsList findings={findings} />))).toContain("draws in 1.9 mm a side");
		expect(text(drawn(<FindingsList findings={findings} />, imperial))).toContain("draws in 0.075 in a side");
		expect(text(drawn(<FindingsList findings={[]} />))).toContain("Nothing stands against");
	});

	it("fields show the value and its unit, and the sentence that belongs to them", () => {
		const field = <NumberField kind="length" label="Width" value={63.5} onChange={() => {}} />;
		expect(drawn(field, imperial)).toContain('value="2 1/2"');
		expect(text(drawn(field, imperial))).toContain("in");
		expect(drawn(<NumberField kind="temperature" label="Peak" value={804} onChange={() => {}} />, imperial)).toContain(
			'value="1479"',
		);
		const wrong = drawn(
			<NumberField kind="count" label="Layer" value={99} onChange={() => {}} error="Layer must be at most 11." />,
		);
		expect(wrong).toContain('aria-invalid="true"');
		expect(wrong).toMatch(/aria-describedby="([^"]+)".*id="\1"/s);
	});

	it("segments, with who set them", () => {
		const setBy = { firstRamp: ["K7DHM"], air: ["K7DHM", "P3XRC"], soak: pieces.map(({ id }) => id), cool: ["P3XRC"] };
		const list = text(drawn(<SegmentList schedule={schedule} setBy={setBy} airMin={30} pieces={pieces} />));
		expect(list).toContain("222 °C/h → 663 °C set by K7DHM Ilse");
		expect(list).toContain("let air out 30 min set by K7DHM Ilse and 1 more");
		expect(list).toContain("set by all 3");
		expect(
			text(drawn(<SegmentList schedule={schedule} setBy={setBy} airMin={30} pieces={pieces} />, imperial)),
		).toContain("400 °F/h → 1225 °F");
	});
});

describe("drawings", () => {
	it("a curve has a summary, marks its instants and offers a table", () => {
		const curve = drawn(
			<FiringChart
				width={600}
				height={300}
				series={[{ name: "plan", points: plan, kind: "plan" }]}
				openS={60_000}
				nowS={9000}
				summary="A made-up firing"
			/>,
		);
		expect(curve).toContain("<title");
		expect(text(curve)).toContain("A made-up firing");
		expect(text(curve)).toContain("open");
		expect(text(curve)).toContain("now");
		expect(text(curve)).toContain("figures as a table");
	});

	it("a shelf map names its pieces, its scale and its door", () => {
		const places = pieces.flatMap((piece, i) =>
			lying(
				piece,
				{
					id: piece.id,
					xMm: 70 + i * 110,
					yMm: 70,
					widthMm: 98,
					heightMm: 98,
					turnDeg: i === 1 ? 90 : 0,
					shelf: 0,
					outline: null,
				},
				{ k: picture },
			),
		);
		const map = drawn(
			<ShelfMap
				shelf={{ widthMm: 380, heightMm: 240, marginMm: 12, shape: "rectangle" }}
				clearanceMm={5}
				doorSide="front"
				pieces={places}
				onPick={() => {}}
			/>,
		);
		expect(text(map)).toContain("K7DHM");
		expect(text(map)).toContain("100 mm");
		expect(text(map)).toContain("door on this side");
		expect(map.match(/role="button"/g)).toHaveLength(3);
		expect(map).toContain("rotate(-90)");
	});

	it("what was never measured lies nowhere", () => {
		const piece = { ...(pieces[0] as (typeof pieces)[0]), asMade: null, body: null };
		expect(
			lying(piece, { id: "x", xMm: 0, yMm: 0, widthMm: 1, heightMm: 1, turnDeg: 0, shelf: 0, outline: null }, {}),
		).toEqual([]);
	});

	it("a plan says how large it is, whatever lies on it", () => {
		const design = kit([cut(box(120, 80))]);
		expect(drawn(<KitPlan design={design} glasses={GLASSES} />)).toContain("120 mm by 80 mm, 1 parts");
		for (const one of KITS) expect(drawn(<KitPlan design={one} glasses={DEMO_GLASSES} />)).not.toContain("NaN");
		expect(drawn(<KitPlan design={kit([])} glasses={[]} />)).not.toContain("NaN");
	});
});

describe("the frame", () => {
	it("the rail says how much waits and what is late", () => {
		const rail = drawn(<Rail frame={frame} station="load" />);
		expect(text(rail)).toContain("Load 10 2 late");
		expect(rail).toMatch(/aria-current="page"[^>]*aria-keyshortcuts="5"/);
		expect(text(rail)).toContain("Saturday 8 March");
	});

	it("the kiln strip says state, opening time and a clock that is sped up", () => {
		const strip = text(drawn(<KilnStrip kilns={kilns.flat()} heardAtMs={0} />));
		expect(strip).toContain("open not before 22:40");
		expect(strip).toContain("clock ×600");
		expect(strip).toContain("may be opened");
		expect(strip).toContain("802 °C");
	});

	it("a tag shows whose a piece is, or nobody's", () => {
		expect(text(drawn(<PieceTag piece={pieces[0] as (typeof pieces)[0]} />))).toContain("K7DHM Ilse Varnhold");
		expect(text(drawn(<PieceTag piece={pieces[2] as (typeof pieces)[0]} />))).toContain("nobody’s yet");
	});

	it("a refusal shows its sentences, but not those a field shows itself", () => {
		const error = new TroubleError(400, [
			{ path: ["asMade", "widthMm"], sentence: ["Width must be a number."] },
			{ path: [], sentence: ["And this."] },
		]);
		expect(text(drawn(<Trouble error={error} except={["asMade.widthMm"]} />))).toBe(" And this. ");
		expect(troubleAt(error, "asMade.widthMm")).toBe("Width must be a number.");
		// A field of the same last name elsewhere is another field.
		expect(troubleAt(error, "widthMm")).toBeUndefined();
		expect(troubleAt(error, "frame.widthMm")).toBeUndefined();
		expect(drawn(<Trouble error={null} />)).toBe("");
	});

	it("carries no inline style: the content policy forbids it", () => {
		const everything = (
			<>
				<Rail frame={frame} station={null} />
				<KilnStrip kilns={kilns.flat()} heardAtMs={0} />
				<FindingsList findings={findings} />
				<TextField label="Words" value="x" onChange={() => {}} multiline />
				<ChoiceField label="Choice" value="a" options={[{ value: "a", label: "one" }]} onChange={() => {}} />
				<FiringChart width={600} height={300} series={[{ name: "plan", points: plan, kind: "plan" }]} summary="s" />
			</>
		);
		expect(drawn(everything)).not.toMatch(/ style=/);
	});
});

describe("prefs", () => {
	it.each([
		[undefined, "mm", "C", "workshop"],
		["in.F.kilnroom", "in", "F", "kilnroom"],
		["rubbish", "mm", "C", "workshop"],
		["<script>.F", "mm", "F", "workshop"],
	])("reads the cookie %s", (cookie, length, temperature, theme) => {
		expect(readPrefs(cookie)).toEqual({ units: { length, temperature }, theme });
	});
});
