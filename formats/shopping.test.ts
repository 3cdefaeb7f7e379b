import type { BuyLine } from "@core/stock/to-buy";
import { METRIC } from "@core/units/phrase";
import Papa from "papaparse";
import { PDFDocument } from "pdf-lib";
import { describe, expect, it } from "vitest";
import { GLASSES } from "../demo/studio";
import { fontFiles } from "../server/heavy/fonts";
import { shoppingCsv } from "./shopping-csv";
import { shoppingPdf } from "./shopping-pdf";

const line = (change: Partial<BuyLine>): BuyLine => ({
	...{ kind: "sheet", glassId: "dusk", name: "", widthMm: 500, heightMm: 430, sizeMm: null },
	...{
		amount: 3,
		have: 1,
		missing: 2,
		units: 2,
		unitAmount: 1,
		costMinor: 3800,
		place: "",
		supplier: "",
		isLow: false,
	},
	...change,
});
const LINES = [
	line({}),
	line({
		kind: "grains",
		glassId: "limewash-powder",
		widthMm: null,
		heightMm: null,
		unitAmount: 450,
		supplier: '=SUM(1) "the yard"; Ω',
	}),
	line({
		kind: "finding",
		glassId: null,
		name: "copper wire loop",
		widthMm: null,
		heightMm: null,
		sizeMm: 6,
		costMinor: null,
	}),
];

describe("a shopping list to take away", () => {
	it("as CSV is read back by another reader, and no supplier's note is a formula", () => {
		const { data, errors } = Papa.parse<Record<string, string>>(shoppingCsv(LINES, GLASSES, "USD"), {
			header: true,
			skipEmptyLines: true,
		});
		expect(errors).toEqual([]);
		expect(data.map((row) => [row.name, row.buy, row["width mm"], row["cost, minor units of USD"]])).toEqual([
			["dusk", "2", "500", "3800"],
			["limewash powder", "2", "", "3800"],
			["copper wire loop", "2", "", ""],
		]);
		expect(data[1]?.supplier).toBe('\'=SUM(1) "the yard"; Ω');
		expect(shoppingCsv(LINES, GLASSES, null)).not.toContain("cost");
	});

	it("as PDF has all of it, over more pages where it is long", async () => {
		const paper = (lines: BuyLine[]) =>
			shoppingPdf({
				...{ lines, glasses: GLASSES, title: "Wind and weather", studio: "A glass room" },
				...{ units: METRIC, paper: "letter" as const, fonts: fontFiles() },
			});
		expect((await PDFDocument.load(await paper(LINES))).getPageCount()).toBe(1);
		expect((await PDFDocument.load(await paper([]))).getPageCount()).toBe(1);
		const many = Array.from({ length: 60 }, () => LINES).flat();
		expect((await PDFDocument.load(await paper(many))).getPageCount()).toBeGreaterThan(5);
	});
});
