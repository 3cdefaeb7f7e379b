import type { Units } from "@core/units/phrase";
import { describe, expect, it } from "vitest";
import { firstSaid } from "../tests/support/said";
import { GLASS_LIST, guessList, KILN_LIST, MOULD_LIST, readList } from "./book-list";
import { readTable } from "./table-file";

const MM: Units = { length: "mm", temperature: "C" };
const INCH: Units = { length: "in", temperature: "F" };
const table = (bytes: Uint8Array | string) => {
	const read = readTable(typeof bytes === "string" ? new TextEncoder().encode(bytes) : bytes);
	if (!read.ok) throw new Error(firstSaid(read.problems));
	return read.value;
};
const glass = (bytes: Uint8Array | string, units = MM) => {
	const its = table(bytes);
	return readList(its, guessList(its, GLASS_LIST), GLASS_LIST, units);
};

describe("a list of glass", () => {
	const wanted = { name: "grün, klar", said: { familyId: "90", form: "sheet", thicknessMm: 3, price: "81,50" } };
	it.each([
		[
			"UTF-8 and commas",
			new TextEncoder().encode('Name,Family,Form,Thickness,Price\n"grün, klar",90,sheet,3,"81,50"\n'),
		],
		[
			"UTF-16 and tabs",
			new Uint8Array(
				Buffer.from("\ufeffPreis\tStärke\tArt\tFamilie\tName\r\n81,50\t3 mm\tTafel\t90\tgrün, klar\r\n", "utf16le"),
			),
		],
		[
			"Windows-1252 and semicolons",
			new Uint8Array(Buffer.from("Glas;Preis;Dicke;Familie;Art\r\ngrün, klar;81,50;0,3 cm;90;Tafelglas\r\n", "latin1")),
		],
	])("in %s, columns in any order, in English and German", (_, bytes) => {
		const { things, broken, twice } = glass(bytes);
		expect(things).toEqual([{ line: 2, ...wanted, said: expect.objectContaining(wanted.said) }]);
		expect([broken, twice]).toEqual([[], []]);
	});

	it("bare lengths are in the person's own unit, others in what they say", () => {
		const { things } = glass("name,thickness\nthin,1/16\nsingle,3 mm\n", INCH);
		// International yard and pound agreement, 1959: an inch is 25.4 mm.
		expect(things.map(({ said }) => said.thicknessMm)).toEqual([25.4 / 16, 3]);
	});

	it("a line that cannot be read is told with its number and what would be understood; the others stay", () => {
		const { things, broken } = glass(
			"name,form,thickness\na,sheet,3\n,frit,2\nb,jelly,3\nc,sheet,thick\nd,sheet,3,4\n",
		);
		expect(things.map(({ name }) => name)).toEqual(["a"]);
		expect(broken).toEqual([
			{ line: 3, sentence: "It has no name." },
			{ line: 4, sentence: "form: “jelly” is none of frit, stringer, ribbon, cane, sheet." },
			{ line: 5, sentence: "thickness: “thick” is not a length. Write it like 100, 6.4 cm or 2 1/2 in." },
			{ line: 6, sentence: "It has 4 columns, the first line has 3." },
		]);
	});

	it("a glass named twice is taken once, with what the second line adds", () => {
		const { things, twice } = glass("name,family,opacity\nSky  blue,90,\nsky blue,96,opal\n");
		expect(things).toEqual([{ line: 2, name: "Sky  blue", said: { familyId: "90", opacity: "opalescent" } }]);
		expect(twice).toEqual([{ line: 3, first: 2 }]);
	});
});

it("a list of moulds: round by its diameter, its highest temperature, vented or not", () => {
	const its = table(
		"mould,kind,shape,diameter,depth,max °F,vent hole,release\nBin lid,slump bowl,round,8 in,1 1/2 in,1650 F,yes,kiln wash\n",
	);
	const { things } = readList(its, guessList(its, MOULD_LIST), MOULD_LIST, MM);
	expect(things[0]?.said).toEqual({
		kind: "dish",
		opening: "round",
		widthMm: 8 * 25.4,
		depthMm: 1.5 * 25.4,
		maxC: (1650 - 32) / 1.8,
		vented: true,
		release: "washed",
	});
});

it("a list of kilns: what stands on a plate and a rule measures", () => {
	const its = table("kiln;power;door;shelf shape;width;clear height;max\nPump kiln;3,6 kW;lid;octagonal;430;220;930\n");
	const { things, broken } = readList(its, guessList(its, KILN_LIST), KILN_LIST, MM);
	expect(broken).toEqual([]);
	expect(things[0]).toEqual({
		line: 2,
		name: "Pump kiln",
		said: { plateW: 3600, doorSide: "top", shelfShape: "octagon", shelfWidthMm: 430, clearHeightMm: 220, maxC: 930 },
	});
});
