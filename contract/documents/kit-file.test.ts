import { readFileSync } from "node:fs";
import Ajv2020 from "ajv/dist/2020";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { KITS } from "../../demo/kits";
import { FAMILIES, GLASSES, MOULDS } from "../../demo/studio";
import { said } from "../../tests/support/said";
import { kitFileSchema, readKitFile, writeKitFile } from "./kit-file";

const books = { glasses: GLASSES, families: FAMILIES, moulds: MOULDS };

/** Any JSON, to be spoiled. */
// biome-ignore lint/suspicious/noExplicitAny: tests spoil the file at any depth
type Loose = any;

const [gate] = KITS.slice(-1);

const changed = (change: (file: Loose) => void): string => {
	const file = JSON.parse(writeKitFile(gate as (typeof KITS)[0], books));
	change(file);
	return JSON.stringify(file);
};

const problems = (text: string) => {
	const read = readKitFile(text);
	return read.ok ? [] : read.problems.map(({ path, sentence }) => `${path.join(".")}: ${said(sentence)}`);
};

describe("a kit file", () => {
	it("holds a kit whole: written, read and compared, every kit of the demo is the same", () => {
		for (const design of KITS) {
			const read = readKitFile(writeKitFile(design, books));
			expect(read.ok && read.value.design).toEqual(design);
		}
	});

	it("brings the glasses, families and moulds it names, other colours too, and no prices", () => {
		const read = readKitFile(writeKitFile(KITS[0] as (typeof KITS)[0], books));
		if (!read.ok) throw new Error("not read");
		expect(read.value.glasses.map(({ id }) => id).sort()).toEqual([
			"clear",
			"dusk",
			"limewash",
			"stubble",
			"thistle",
			"tin-roof",
			"windbreak",
		]);
		expect(read.value.families.map(({ id }) => id)).toEqual(["90"]);
		expect(read.value.glasses.every(({ priceMinor }) => priceMinor === null)).toBe(true);
	});

	it.each([
		[
			"another format",
			(file: Loose) => {
				file.format = "something/else";
			},
			/^format: This is not a kit file/,
		],
		[
			"a later version",
			(file: Loose) => {
				file.version = 3;
			},
			/^version: This kit file is of another version/,
		],
		[
			"a field it does not know",
			(file: Loose) => {
				file.design.parts[2].onclick = "alert(1)";
			},
			/^design\.parts\.2: Unknown field onclick/,
		],
		[
			"a bad size",
			(file: Loose) => {
				file.design.parts[0].shape.widthMm = -4;
			},
			/^design\.parts\.0\.shape\.widthMm: Width must be at least 0.5 mm/,
		],
		[
			"a component that is not there",
			(file: Loose) => {
				file.design.components = [];
			},
			/componentId: Rivet is a component that this kit does not have/,
		],
		[
			"a colour that is none",
			(file: Loose) => {
				file.glasses[0].boughtColour = "url(x)";
			},
			/^glasses\.0\.boughtColour/,
		],
	])("names the path of %s", (_, change, expected) => expect(problems(changed(change)).join("\n")).toMatch(expected));

	it("refuses what is no JSON, what is too large, and never throws", () => {
		expect(problems("{")[0]).toContain("This is not JSON");
		expect(problems(" ".repeat(1024 * 1024 + 1))[0]).toContain("at most 1024 KB");
		fc.assert(fc.property(fc.jsonValue(), (value) => readKitFile(JSON.stringify(value)).ok === false));
	});
});

describe("its published JSON Schema", () => {
	const schema = kitFileSchema();
	const validate = new Ajv2020({ strict: false, allErrors: true }).compile(schema);

	it("is the one in docs", () => {
		expect(JSON.parse(readFileSync(new URL("../../docs/formats/kit.schema.json", import.meta.url), "utf8"))).toEqual(
			schema,
		);
	});

	// Held against an independent validator of JSON Schema 2020-12.
	it("accepts what we write and refuses what we refuse", () => {
		for (const design of KITS) expect(validate(JSON.parse(writeKitFile(design, books))), design.name).toBe(true);
		for (const break_ of [
			(file: Loose) => {
				file.design.parts[2].onclick = "alert(1)";
			},
			(file: Loose) => {
				file.design.parts[0].shape.widthMm = -4;
			},
			(file: Loose) => {
				file.version = 3;
			},
			(file: Loose) => {
				delete file.design.route;
			},
		])
			expect(validate(JSON.parse(changed(break_)))).toBe(false);
	});
});
