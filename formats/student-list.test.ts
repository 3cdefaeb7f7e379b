import { describe, expect, it } from "vitest";
import { firstSaid } from "../tests/support/said";
import { guessMapping, studentsOf } from "./student-list";
import { readTable } from "./table-file";

const utf8 = (text: string) => new TextEncoder().encode(text);
const utf16 = (text: string) => new Uint8Array(Buffer.from(`\ufeff${text}`, "utf16le"));
/** Windows-1252 has these letters where Latin 1 has them (ISO 8859-1). */
const latin = (text: string) => new Uint8Array(Buffer.from(text, "latin1"));
const list = (bytes: Uint8Array) => {
	const table = readTable(bytes);
	if (!table.ok) throw new Error(firstSaid(table.problems));
	return { table: table.value, ...studentsOf(table.value, guessMapping(table.value)) };
};

describe("a list of students", () => {
	it.each([
		["UTF-8", ",", utf8("Name,E-mail\nSören Fält,soren@ridge.example\n")],
		["UTF-16", "\t", utf16("Name\tE-mail\r\nSören Fält\tsoren@ridge.example\r\n")],
		["Windows-1252", ";", latin("Name;E-mail\r\nSören Fält;soren@ridge.example\r\n")],
	])("in %s, separated by “%s”", (encoding, separator, bytes) => {
		const { table, students } = list(bytes);
		expect(table).toMatchObject({ encoding, separator, broken: [] });
		expect(students).toEqual([
			{ line: 2, name: "Sören Fält", email: "soren@ridge.example", phone: "", note: "", adult: "" },
		]);
	});

	it("takes columns in any order, first and last names apart, and quoted cells of several lines", () => {
		const { students } = list(
			utf8('Telefon,Nachname,Bemerkung,Vorname\n+43 1,Holt,"needs help\nwith cutting",Runa\n,Bree,,Otto\n'),
		);
		expect(students).toMatchObject([
			{ line: 2, name: "Runa Holt", phone: "+43 1", note: "needs help\nwith cutting" },
			{ line: 4, name: "Otto Bree" },
		]);
	});

	it("without a head that it knows, the e-mail is where the signs are, and the name the first other column", () => {
		const { students } = list(utf8("a;b\nruna@lee.example;Runa Holt\notto@lee.example;Otto Bree\n"));
		expect(students.map(({ name, email }) => [name, email])).toEqual([
			["Runa Holt", "runa@lee.example"],
			["Otto Bree", "otto@lee.example"],
		]);
	});

	it("takes a family that shares an e-mail for as many people as it has names", () => {
		const { students, twice } = list(utf8("Name,Email\nTove Hale,hale@lee.example\nOdd Hale,hale@lee.example\n"));
		expect(students.map(({ name }) => name)).toEqual(["Tove Hale", "Odd Hale"]);
		expect(twice).toEqual([]);
	});

	it("names the lines nobody comes of, and goes on with the others", () => {
		const { students, broken, twice } = list(
			utf8(
				"Name,Email,Phone\nRuna Holt,runa@lee.example,\n,nobody@lee.example,\nOtto Bree,otto at lee,\nA,b@c.de,1,2\nruna  HOLT,RUNA@lee.example,077\nLast One,,\n",
			),
		);
		expect(students.map(({ name, phone }) => [name, phone])).toEqual([
			["Runa Holt", "077"],
			["Last One", ""],
		]);
		expect(broken).toEqual([
			{ line: 3, sentence: "It has no name." },
			{ line: 4, sentence: "“otto at lee” is not an e-mail address." },
			{ line: 5, sentence: "It has 4 columns, the first line has 3." },
		]);
		expect(twice).toEqual([{ line: 6, first: 2 }]);
	});

	it("a quotation mark that is never closed spoils its own line and what it swallows, not what stood before", () => {
		const { students, broken } = list(utf8('Name,Note\nRuna Holt,calm\nOtto,"oh\nLast,one\n'));
		expect(students.map(({ name }) => name)).toEqual(["Runa Holt"]);
		expect(broken).toEqual([{ line: 3, sentence: "A quotation mark is opened here and never closed." }]);
	});

	it.each([
		["nothing", utf8("  \n "), "There is nothing in this file."],
		[
			"a picture",
			new Uint8Array([0x89, 0x50, 0, 0, 0x0d]),
			"This is not a table of text. Save it as CSV and choose it again.",
		],
		["too much", new Uint8Array(2_000_000), "A list has at most 1024 KB; this one was not read."],
	])("%s is told", (_, bytes, sentence) => {
		const read = readTable(bytes);
		expect(read.ok ? "" : firstSaid(read.problems)).toBe(sentence);
	});
});
