import type { BooksView } from "@contract/glass";
import { describe, expect, it } from "vitest";
import { KITS } from "../../../demo/kits";
import { FAMILIES, GLASSES, MOULDS } from "../../../demo/studio";
import { drawn, imperial, text } from "../../../tests/support/drawn";
import { formatMoney, parseMoney } from "../../lib/money";
import type { Frame } from "../../ui/frame/frame";
import { FamilyBook } from "./family-book";
import { GlassShelf } from "./glass-shelf";
import { MouldBook } from "./mould-book";
import { SampleBook } from "./sample-book";
import { StrainTests } from "./strain-tests";

const view: BooksView = {
	glasses: GLASSES.map((one) => ({ ...one, revision: 1 })),
	families: FAMILIES.map((one) => ({ ...one, revision: 1 })),
	moulds: MOULDS.map((one) => ({ ...one, revision: 1 })),
	samples: [
		{
			id: "s1",
			revision: 1,
			name: "Rust on clear",
			document: KITS[1] as (typeof KITS)[0],
			stackCode: "90 | 3·3 | full",
			kiln: "Hopper kiln",
			kilnId: "k1",
			level: "full",
			peakC: 804,
			holdMin: 10,
			firedOn: "2031-01-02",
			result: "Brick red.",
			shows: ["striker", "from-a-later-version" as "striker"],
			hasPicture: false,
			plan: { widthMm: 90, heightMm: 60, shapes: [{ colour: "#aa3311", d: "M-45 -30L45 -30L45 30L-45 30Z" }] },
			retired: false,
		},
	],
	kilns: [{ id: "k1", name: "Hopper kiln" }],
	kits: [],
	strainTests: [],
	currency: "USD",
};
const frame = (role: "instructor" | "assistant") => ({ timeZone: "UTC", person: { name: "Somebody", role } }) as Frame;
const book = (
	Book: typeof GlassShelf,
	role: "instructor" | "assistant" = "instructor",
	change: Partial<BooksView> = {},
	prefs?: typeof imperial,
) => text(drawn(<Book view={{ ...view, ...change }} frame={frame(role)} params={{}} />, prefs));

describe("books", () => {
	it("glass: sheet first, by family, with form, tags and price; an untested family is named so", () => {
		const words = book(GlassShelf);
		expect(words.indexOf("family 90 · sheet")).toBeLessThan(words.indexOf("family 90 · frit"));
		expect(words).toMatch(/high sky 3 mm, copper \$95\.00 a m²/);
		expect(words).toMatch(/mirage on black 3 mm, striker, dichroic/);
		expect(words).toContain("barn window pane, untested");
		expect(
			book(GlassShelf, "assistant", {
				currency: null,
				glasses: view.glasses.map((one) => ({ ...one, priceMinor: null })),
			}),
		).not.toContain("$");
	});
	it("families: the strain point follows from the three fixed points (ISO 7884-1), in the reader's degrees", () => {
		expect(book(FamilyBook)).toMatch(/90 90 × 10⁻⁷\/K 489 °C 516 °C 677 °C 930 °C as the studio/);
		expect(book(FamilyBook, "instructor", {}, imperial)).toContain("961 °F");
	});
	it("moulds: opening, depth and state of the release", () => {
		const words = book(MouldBook);
		expect(words).toMatch(/Feed bowl, round dish, 2 alike 152 mm 35 mm deep washed, 1 firing since/);
		expect(words).toMatch(/Sackcloth texture .*bare, 3 firings since/);
		expect(words).toMatch(/Dial frame .*not fired/);
	});
	it("samples: level, heat, kiln, result and what it shows; an empty book says what to try first", () => {
		const words = book(SampleBook);
		expect(words).toContain("full 804 °C for 10 min, Hopper kiln, 2031-01-02");
		expect(words).toContain("shows a striker, from-a-later-version");
		expect(book(SampleBook, "instructor", { samples: [] })).toContain("40 mm of a striker on clear");
	});
	it("who may not write sees no buttons to write with", () => {
		for (const [Book, button] of [
			[GlassShelf, "Add a glass"],
			[FamilyBook, "Add a family"],
			[MouldBook, "Add a mould"],
			[SampleBook, "Keep a sample"],
		] as const) {
			expect(book(Book)).toContain(button);
			expect(book(Book, "assistant")).not.toContain(button);
		}
	});
});

describe("strain tests", () => {
	const pane = view.glasses.find(({ familyId }) => familyId === "barn-pane");
	const drawnFor = (tests: BooksView["strainTests"], mayRead = true) =>
		text(drawn(<StrainTests view={{ ...view, strainTests: tests }} familyId="barn-pane" mayRead={mayRead} />));
	const test = (state?: "planned" | "running" | "opened" | "cancelled") => [
		{
			...{ id: "t", glassId: pane?.id ?? "", onFamilyId: "90" },
			firing: state ? { id: "f", number: 12, kiln: "Hopper kiln", state } : null,
		},
	];
	it.each([
		["none yet", [], /Lay out a test/, /Call it off/],
		["laid out", test(), /On 90: it waits for a corner of a full fuse.*Call it off/, /Lay out|No halo: it is/],
		["planned", test("planned"), /planned in firing 12, Hopper kiln.*Call it off/, /No halo: it is/],
		["in the fire", test("running"), /fires in firing 12/, /Call it off|No halo: it is/],
		["cold", test("opened"), /out of firing 12.*No halo: it is of 90 ?A halo: keep it apart/, /Lay out/],
	] as const)("%s: where it is, and what may be said of it", (_, tests, words, never) => {
		expect(drawnFor([...tests])).toMatch(words);
		expect(drawnFor([...tests])).not.toMatch(never);
	});
	it("an assistant reads none; a family without glass has none", () => {
		expect(drawnFor(test("opened"), false)).not.toContain("No halo: it is");
		expect(text(drawn(<StrainTests view={view} familyId="nobody" mayRead />))).toBe("");
	});
});

describe("money", () => {
	// ISO 4217: the yen has no minor unit, the Bahraini dinar three.
	it.each([
		[685, "USD", "$6.85"],
		[1500, "JPY", "¥1,500"],
		[12_345, "BHD", "BHD 12.345"],
	])("%d %s is written %s", (minor, currency, written) =>
		expect(formatMoney(minor, currency).replace(/\u00a0/g, " ")).toBe(written),
	);
	it.each([
		["6.85", "USD", 685],
		["6,85", "EUR", 685],
		["1500", "JPY", 1500],
		["", "USD", undefined],
		["-3", "USD", undefined],
		["six", "USD", undefined],
	])("%s in %s is %s", (written, currency, minor) => expect(parseMoney(written, currency)).toBe(minor));
});
